/** Of what comes up so many are lost on the way [default]. */
export const LOSSES = 0.05
