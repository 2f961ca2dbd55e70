'use client'

import { Button } from 'react-bootstrap'

/** Prints the page as it stands. */
export const PrintButton = () => (
  <Button variant="quiet" onClick={() => window.print()}>
    Print
  </Button>
)
