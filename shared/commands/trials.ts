import { at as elementAt } from '#core/numeric/at'
import * as z from 'zod'
import { dealt } from '#core/trials/trial'
import { cellsOf, freeCode } from '#core/trays/layout'
import type { Bench } from '../derived/bench'
import { trial, type TrialRecord } from '../records/trial'
import { id, reference } from '../records/rules'
import { trayAt } from './cells'
import { command, isRefusal, refuse, type Acting, type Change, type Decision } from './command'

const SIDES = z
  .array(
    z.object({
      name: z.string().trim().min(1, 'Name each side.').max(120),
      recipeId: reference.nullable().default(null),
      packetId: id.nullable().default(null),
    }),
  )
  .min(2, 'A trial compares at least two sides.')
  .max(6)
const shape = {
  id,
  title: trial.shape.name,
  question: trial.shape.question,
  blind: trial.shape.blind,
  /** Drawn by who acts, and kept: the same cells come of it again. */
  seed: trial.shape.seed,
  sides: SIDES,
}
type Intent = z.output<z.ZodObject<typeof shape>>
const letter = (n: number) => String.fromCharCode(65 + n)

function trialOf(intent: Intent, acting: Acting, groups: TrialRecord['arms'][number]['groups'][]): Change {
  const { id: trialId, title, question, seed, blind, sides } = intent
  const arms = sides.map(({ name, recipeId, packetId }, i) => ({
    code: letter(i),
    name,
    groups: elementAt(groups, i),
    recipeId,
    packetId,
  }))
  const body = { name: title, question, on: acting.today, seed, blind, arms, note: '', endedOn: null }
  return { do: 'put', collection: 'trials', id: trialId, version: 0, body }
}

/** The cells of a plot dealt among the sides of a trial, before anything is sown. */
export const dealCells = command(
  'deal cells',
  { ...shape, trayId: id, group: z.string().max(8) },
  (bench, intent, acting): Decision => {
    const tray = trayAt(bench, intent.trayId)
    if (isRefusal(tray)) return tray
    const group = tray.body.groups.find(({ code }) => code === intent.group)
    if (!group)
      return refuse(
        ['group'],
        { kind: 'noGroupInTray', values: { group: intent.group, tray: tray.number } },
        tray,
      )
    if (bench.stands(tray).groups.some(({ group: { code }, sown }) => code === group.code && sown > 0))
      return refuse(['group'], { kind: 'dealtBefore', values: { group: group.name } }, tray)
    const shares = dealt(cellsOf(tray.body, group.code), intent.sides.length, intent.seed)
    const groups = [...tray.body.groups]
    const cells = [...tray.body.cells]
    const codes = intent.sides.map((side, i) => {
      const code = i === 0 ? group.code : freeCode(groups)
      const shown = `${group.name} · ${intent.blind ? `side ${letter(i)}` : side.name}`
      const next = { ...group, code, name: shown.slice(0, 120), packetId: side.packetId ?? group.packetId }
      if (i === 0) groups[groups.indexOf(group)] = next
      else groups.push(next)
      for (const cell of elementAt(shares, i)) cells[cell] = code
      return code
    })
    return [
      {
        do: 'put',
        collection: 'trays',
        id: tray.id,
        version: tray.version,
        body: { ...tray.body, groups, cells },
      },
      trialOf(
        intent,
        acting,
        codes.map((code) => [{ trayId: tray.id, group: code }]),
      ),
    ]
  },
)

/** Whole trays dealt among the sides of a trial: to places, or to ways of watering. */
export const dealTrays = command(
  'deal trays',
  { ...shape, trayIds: z.array(id).min(2, 'Say which trays.').max(60) },
  (bench: Bench, intent, acting): Decision => {
    const trays = intent.trayIds.map((trayId) => trayAt(bench, trayId, 'trayIds'))
    const gone = trays.find(isRefusal)
    if (gone) return gone
    const there = trays.filter((one) => !isRefusal(one))
    const shares = dealt(
      there.map((_, i) => i),
      intent.sides.length,
      intent.seed,
    )
    return [
      trialOf(
        intent,
        acting,
        shares.map((share) =>
          share.flatMap((at) => {
            const tray = elementAt(there, at)
            return isRefusal(tray)
              ? []
              : tray.body.groups.map(({ code }) => ({ trayId: tray.id, group: code }))
          }),
        ),
      ),
    ]
  },
)
