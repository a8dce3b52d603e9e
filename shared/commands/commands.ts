import * as z from 'zod'
import { day, id } from '../records/rules'
import { ALONE } from './alone'
import { count, giveAway, lose, moveAway, plantOut, sow, sowEverywhere, thin } from './cells'
import type { Command } from './command'
import { changeTray, layOutTray } from './layout'
import { correctEntry, giveFeed, makeBatch, water, writeDown } from './log'
import { moveOn } from './moving'
import {
  beginHousehold,
  removeRecord,
  replaceRecord,
  restoreRecord,
  saveHousehold,
  saveRecord,
} from './records'
import { beginJob, changeJob, endJob, markJob } from './guided-jobs'
import { endCrop, giveUp, holdOver, plan, snooze, sowAgain, tick } from './season'
import { dealCells, dealTrays } from './trials'
import { redo, undo } from './undo'

/** Everything a person does, each stated once. */
const DECIDED = [
  saveRecord,
  removeRecord,
  restoreRecord,
  replaceRecord,
  saveHousehold,
  beginHousehold,
  plan,
  tick,
  snooze,
  giveUp,
  endCrop,
  sowAgain,
  holdOver,
  layOutTray,
  changeTray,
  sow,
  sowEverywhere,
  count,
  thin,
  lose,
  giveAway,
  plantOut,
  moveAway,
  moveOn,
  dealCells,
  dealTrays,
  beginJob,
  markJob,
  changeJob,
  endJob,
  makeBatch,
  giveFeed,
  water,
  writeDown,
  correctEntry,
] as const
const ALL = [...DECIDED, undo, redo, ...ALONE] as const

/** A command as it is sent: its name and what is intended. */
export type Sent = z.input<(typeof ALL)[number]['intent']>
export type Understood = z.output<(typeof ALL)[number]['intent']>
export const COMMAND_NAMES = ALL.map(({ name }) => name)

/** How a command is decided; undefined for those that the history decides. */
export const decidedBy = (name: string) =>
  DECIDED.find((one) => one.name === name) as Command<string, Understood> | undefined

/** Acts of one press: at most so many, all or nothing. */
export const MAX_COMMANDS = 500
export const sentCommands = z.object({
  commands: z
    .array(z.discriminatedUnion('name', ALL.map(({ intent }) => intent) as never))
    .min(1, 'Say what is to be done.')
    .max(MAX_COMMANDS, `At most ${MAX_COMMANDS} commands at once.`) as unknown as z.ZodType<
    Understood[],
    Sent[]
  >,
  act: id.nullable().default(null).describe('The id of the act, made when the person acts'),
  by: z.string().max(80).default('').describe('Who acts'),
  today: day.nullable().default(null).describe('The day it was where they acted; else the household’s today'),
  time: z.iso.time({ precision: -1 }).nullable().default(null).describe('The time of that day, 07:30'),
})
