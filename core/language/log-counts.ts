import { capital } from '../text/capital'
import { present } from '../present'
import { first as firstOf } from '../numeric/at'
import type { Piece } from './chart'
import type { HowMany } from './log-grammar'
import type { LineKind, ReadLine } from './line-said'
import { LogSubjects, MAX_CHOICES, OF_CELLS } from './log-subjects'
import type { KnownGroup, KnownSowing } from './reading'
import { saidAnew } from './said-anew'

/** How many, as a line of the log says it: so many, so many of, all but, the rest. */
export abstract class LogCounts extends LogSubjects {
  /** How many: as it was said, or of what is known to stand there. */
  protected number(
    how: HowMany | null,
    kind: LineKind,
    denied: boolean,
    groups: readonly KnownGroup[],
    sowings: readonly KnownSowing[],
    piece: Piece | null,
  ): Pick<ReadLine, 'count' | 'of' | 'share'> {
    if (!how) return { count: denied ? 0 : null, of: null, share: null }
    const whole = this.whole(kind, groups, sowings) ?? how.of
    const from = (share: number) => (whole === null ? null : Math.round(whole * share))
    const settle = (count: number | null, share: number | null): Pick<ReadLine, 'count' | 'of' | 'share'> => {
      if (
        count === null &&
        share !== 0 &&
        OF_CELLS.includes(kind) &&
        this.known.sowings.length + this.known.trays.length > 0
      )
        this.ask('How many is that?', [], piece)
      return {
        count,
        of: how.of ?? (how.n === null || how.missing ? whole : null),
        share: count === null ? share : null,
      }
    }
    if (how.vague) {
      if (
        piece &&
        /^(?:the )?(?:rest|others|remain)/i.test(this.words(piece)) &&
        whole !== null &&
        kind !== 'look'
      )
        return { count: whole, of: whole, share: null }
      if (OF_CELLS.includes(kind))
        this.ask('How many?', piece ? [{ name: 'Nobody counted', text: this.anew(piece, '') }] : [], piece)
      return { count: null, of: null, share: null }
    }
    if (how.more) {
      const before =
        kind === 'look' && groups.length ? groups.reduce((sum, { up }) => sum + (up ?? 0), 0) : null
      if (kind !== 'look') return { count: how.n, of: null, share: null }
      if (before !== null) return { count: before + present(how.n), of: whole, share: null }
      this.ask(
        `${how.n} more: how many are up in all?`,
        piece ? [{ name: `${how.n} in all`, text: this.anew(piece, `${how.n}`) }] : [],
        piece,
      )
      return { count: null, of: null, share: null }
    }
    if (how.but !== null) return settle(whole === null ? null : whole - how.but, null)
    if (how.missing || (denied && how.n !== null && how.n > 0)) {
      const missing = present(how.n)
      return whole === null ? settle(null, null) : { count: whole - missing, of: whole, share: null }
    }
    if (how.share !== null) {
      const share = denied ? 1 - how.share : how.share
      return share === 0 ? { count: 0, of: how.of, share: null } : settle(from(share), share)
    }
    return { count: denied ? 0 : how.n, of: how.of, share: null }
  }

  /** What a share or a rest is of: seeds that were sown of what came up, plants that stand of what left. */
  protected whole(
    kind: LineKind,
    groups: readonly KnownGroup[],
    sowings: readonly KnownSowing[],
  ): number | null {
    const of = kind === 'look' ? 'sown' : 'standing'
    const counted = groups.map((one) => one[of])
    if (counted.length && counted.every((n) => n !== undefined && n > 0))
      return counted.reduce<number>((sum, n) => sum + (n ?? 0), 0)
    if (groups.length === 0 && sowings.length === 1)
      return (kind === 'look' ? null : firstOf(sowings).standing) ?? firstOf(sowings).plants ?? null
    return null
  }

  protected askCounts(counts: readonly Piece[]) {
    this.ask(
      `${counts
        .slice(0, MAX_CHOICES)
        .map((one) => this.words(one))
        .join(' or ')}: which is the number?`,
      (counts.length > MAX_CHOICES ? [] : counts).map((one) => ({
        name: this.words(one),
        text: counts
          .filter((other) => other !== one)
          .reduceRight((text, other) => saidAnew(text, this.range(other), ''), this.sentence.text),
      })),
    )
  }

  /** `Watered 4` may be tray 4: a bare number beside what is done to trays is asked about. */
  protected askTrays(counts: readonly Piece[]) {
    const numbers = counts.flatMap(({ value }) => (value as HowMany).n ?? [])
    const [head, tail] = [counts[0], counts.at(-1)]
    const stand = numbers.every((n) => this.known.trays.some(({ number }) => number === n))
    if (!head || !tail || numbers.length < counts.length || !stand) return
    const words = `tray ${numbers.join(', ')}`
    this.ask(
      `${numbers.join(', ')}: trays of these numbers?`,
      [{ name: capital(words), text: this.anew({ from: head.from, to: tail.to }, words) }],
      head,
    )
  }
}
