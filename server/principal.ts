/** Who asks. Nobody signs in yet: whoever reaches this machine is let in, and sign-in will name a person here. */
export interface Principal {
  readonly person: string | null
}

export const WHOEVER: Principal = { person: null }
