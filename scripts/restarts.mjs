const WITHIN_MS = 10 * 60_000

/** How often something that fell over may be set up again: so many times in ten minutes, a little later each time. */
export class Restarts {
  constructor(most) {
    this.most = most
    this.at = []
  }
  /** Wait before the next one. @returns whether there is to be one */
  async next() {
    const now = Date.now()
    this.at = [...this.at.filter((at) => now - at < WITHIN_MS), now]
    if (this.at.length > this.most) return false
    await new Promise((resolve) => setTimeout(resolve, Math.min(5000, 100 * 2 ** this.at.length)))
    return true
  }
}
