import type { ComponentType } from 'react'
import { State } from '../figures/State'

function NotLoaded() {
  return <State level="open">The picture could not be loaded; the figures stand without it.</State>
}

/** A picture that comes by itself, or, where it cannot be fetched because there is no network, a line that says so. */
export function orSaid<P>(loading: Promise<ComponentType<P>>): Promise<ComponentType<P>> {
  return loading.catch(() => NotLoaded as ComponentType<P>)
}
