import '@fontsource-variable/atkinson-hyperlegible-next/wght.css'
import '@fontsource-variable/atkinson-hyperlegible-next/wght-italic.css'
import '@/ui/theme/theme.scss'
import { collegeWords } from '@/server/collegeWords'
import { UnsavedGuard } from '@/ui/typed/UnsavedGuard'
import { WordsOfThePage } from '@/ui/words/WordsOfThePage'
import type { Metadata, Viewport } from 'next'
import { connection } from 'next/server'
import type { ReactNode } from 'react'

export const metadata: Metadata = {
  title: { default: 'Mozle', template: '%s · Mozle' },
  description: 'Plan, run and judge teaching-lab preparations',
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#22363a' }

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Every page carries a nonce of its own, so none is rendered ahead of the request.
  await connection()
  return (
    <html lang="en">
      <body>
        {children}
        <UnsavedGuard />
        <WordsOfThePage ofCollege={await collegeWords()} />
      </body>
    </html>
  )
}
