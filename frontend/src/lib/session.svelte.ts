/** Who is signed in, and the units they read in. */
import { api, outcome, type Session } from '../api/client'

class SessionState {
  session = $state.raw<Session | null>(null)

  /** The keys a phone shows for a quantity: feet and inches are typed with more than digits. */
  get numberKeys(): 'decimal' | 'text' {
    return this.session?.units === 'imperial' ? 'text' : 'decimal'
  }

  async load(): Promise<void> {
    const { data } = await outcome(api.GET('/api/session'))
    if (data) this.session = data
  }

  /** Switches between metric and imperial; answers whether it was done. */
  async toggleUnits(): Promise<boolean> {
    const units = this.session?.units === 'imperial' ? 'metric' : 'imperial'
    const { data } = await outcome(api.PATCH('/api/session', { body: { units } }))
    if (data) this.session = data
    return data !== undefined
  }
}

export const session = new SessionState()
