import type { CautionId } from '#core/cautions/caution'
import type { WordId } from '#core/glossary'

/** What a page is for, how it is used, and what can hurt there. */
export interface PageHelp {
  readonly why: string
  readonly ways: readonly string[]
  readonly words: readonly WordId[]
  readonly keys?: readonly (readonly [keys: string, does: string])[]
  readonly cautions?: readonly CautionId[]
}

/** By the path of the page; `:id` stands for the thing that is open. */
export const PAGE_HELP: Readonly<Record<string, PageHelp>> = {
  '/': {
    why: 'What to do today: jobs at the bench, then place by place, then the evening.',
    ways: [
      'Tick off what is done. The calendar icon records it for another day, or only part of it.',
      'Start opens a job step by step. The clock puts it off until tomorrow.',
    ],
    words: ['stage', 'harden off', 'pot up', 'prick out'],
    keys: [
      ['↑ ↓', 'move through the jobs'],
      ['d', 'done'],
      ['u', 'undo the last one'],
    ],
  },
  '/first': {
    why: 'Three questions to get started: your last frost, what you have, and what you want to grow.',
    ways: ['Answer in any order and leave what you do not know. Everything can be changed later.'],
    words: ['flat', 'schedule', 'batch'],
    cautions: ['electricity'],
  },
  '/plan': {
    why: 'Every sowing on one calendar and, below it, the space, mix and feed they need.',
    ways: [
      'Type what you want to grow; the plan appears as you type and is saved when you press Plan.',
      'Drag a sowing, or the edge between two stages: everything that depends on it moves.',
      'Frosts and places: your frost dates, where trays stand, and your methods.',
    ],
    words: ['schedule', 'stage', 'method', 'flat', 'certainty', 'harden off'],
    keys: [
      ['← →', 'move the selected sowing by a day'],
      ['Enter', 'open it'],
      ['Esc', 'let go, or close its panel'],
    ],
    cautions: ['electricity'],
  },
  '/plan/shopping': {
    why: 'What your plan needs that is not in Supplies, in whole packs, at the lowest cost.',
    ways: ['Prices and pack sizes come from Supplies; anything without a price uses the usual pack.'],
    words: ['loose'],
  },
  '/plan/light': {
    why: 'How high to hang a lamp so that seedlings get enough light.',
    ways: ['Move the lamp, or enter what a light meter reads under it.'],
    words: ['mol', 'method'],
    cautions: ['electricity'],
  },
  '/plan/odds': {
    why: 'How likely you are to end up with enough plants, from thousands of simulated seasons.',
    ways: ['More certainty takes more cells; the chart shows how many.'],
    words: ['certainty', 'germination'],
  },
  '/mix': {
    why: 'A recipe drawn as a section, and how much of it your trays and pots need.',
    ways: [
      'Drag the edges or type the parts. Choose what to fill, and with which cover.',
      'Press any figure to see how it was worked out.',
      'Save it as a recipe, share it, or print its card.',
    ],
    words: ['part', 'loose', 'settling', 'mixing loss', 'air', 'wet zone', 'ph', 'ec'],
    cautions: ['dust', 'asbestos', 'microbes', 'lifting'],
  },
  '/find': {
    why: 'Finds mixes that meet your limits for air, water and price, from what you have.',
    ways: ['The map shows every blend of three materials; press a point to use it.'],
    words: ['air', 'part'],
    cautions: ['dust'],
  },
  '/feed': {
    why: 'How much feed to measure into how much water, for plants of this age.',
    ways: [
      'Drag the marker on the scale, or choose a growth stage.',
      'Choose the spoon, cap or scale you have: the dose is given in it, with its accuracy.',
    ],
    words: ['mg/L N', 'dose', 'ec', 'flush', 'drain-off'],
    cautions: ['fertiliser', 'homeBrew', 'aboveLabel'],
  },
  '/blend': {
    why: 'Combines several feeds, or two stock solutions, to reach a target no single feed does.',
    ways: ['Set what each litre should contain; feeds that must not meet as concentrates are kept apart.'],
    words: ['mg/L N', 'ec', 'dose'],
    cautions: ['concentrates', 'fertiliser'],
  },
  '/programme': {
    why: 'A feeding schedule: how strong and how often at each stage, and how much feed it uses.',
    ways: ['Pick a method, then change a stage. It shows when the mix itself runs out of food.'],
    words: ['method', 'stage', 'mg/L N'],
    cautions: ['fertiliser'],
  },
  '/trays': {
    why: 'All your trays, place by place, and what to lay out next.',
    ways: ['Lay out gives each sowing its group of cells. Add a tray records one you already have.'],
    words: ['group', 'cell', 'flat'],
    cautions: ['lifting'],
  },
  '/trays/:id': {
    why: 'One tray, cell by cell: sown, up, lost, moved; its water, photos and history.',
    ways: [
      'Count by tapping the cells that are up, or type 31 of 36.',
      'Weigh it, or record that it feels light: it learns how fast it dries.',
    ],
    words: ['group', 'cell', 'germination', 'interval', 'flush'],
    keys: [
      ['arrows', 'move from cell to cell'],
      ['space', 'mark the cell'],
      ['0–9', 'that many in it'],
      ['r', 'the whole group'],
    ],
    cautions: ['lifting'],
  },
  '/trays/labels': {
    why: 'Labels for groups, packs, pots, bottles and tubs, and a paper map of each tray.',
    ways: ['Print on plain paper, label sheets or a label printer. The code on a label opens its tray.'],
    words: ['group', 'simulated'],
  },
  '/trays/try-it': {
    why: 'Two watering routines compared over six weeks: water, air, salts, food.',
    ways: ['Change the mix, place or routine on either side. Nothing is saved.'],
    words: ['air', 'ec', 'flush'],
  },
  '/batches': {
    why: 'Mixes and feeds that are due or planned, each with a card to work from.',
    ways: [
      'Card: everything on one page, to print or keep open while you work.',
      'Marking a batch as made takes its materials from Supplies; undo puts them back.',
    ],
    words: ['batch', 'loose', 'mg/L N'],
    cautions: ['dust', 'fertiliser'],
  },
  '/batches/:id': {
    why: 'The card of a batch: materials, water, what to fill, and the steps.',
    ways: ['Start goes through it step by step. Mark as made records it and updates Supplies.'],
    words: ['batch', 'loose', 'part'],
    cautions: ['dust', 'microbes', 'scald', 'lifting'],
  },
  '/batches/feed/:id': {
    why: 'The card of a feed: how much into which jug, and how to use it.',
    ways: ['An EC pen in the jug confirms the dose.'],
    words: ['dose', 'mg/L N', 'ec'],
    cautions: ['fertiliser'],
  },
  '/jobs': {
    why: 'Guided jobs in progress, and their timers.',
    ways: ['Several can run side by side, and two phones can share one.'],
    words: [],
  },
  '/jobs/:id': {
    why: 'One step per screen, for wet hands.',
    ways: [
      'Tap anywhere, press space, or press Done. Timers keep running when the tab is closed. Finish records what was ticked.',
    ],
    words: ['loose'],
    keys: [
      ['space', 'done, next step'],
      ['← →', 'look at another step'],
    ],
    cautions: ['dust', 'microbes', 'scald', 'lifting'],
  },
  '/jobs/sheets/:id': {
    why: 'A job on paper, one sheet per person.',
    ways: ['Print it, tick with a pencil, and record it afterwards.'],
    words: [],
  },
  '/records': {
    why: 'Everything that happened, one line each, including what was ticked off elsewhere.',
    ways: [
      'Type it in your own words; each word shows what it was taken for.',
      'Search by word, tray, packet or place, back through the years.',
    ],
    words: ['entry'],
  },
  '/records/charts': {
    why: 'The season in charts: time lines, germination, water, feed, cost.',
    ways: ['Each chart has a table, and downloads as CSV, SVG or PNG.'],
    words: ['interval', 'germination'],
  },
  '/records/learned': {
    why: 'Each standard figure beside yours, and the measurements behind it.',
    ways: ['Leave a measurement out, or count it again: plans update at once.'],
    words: ['learned'],
  },
  '/records/photos': {
    why: 'Two trays side by side at the same age.',
    ways: ['Take photos on a tray’s page.'],
    words: [],
  },
  '/records/trace/:id': {
    why: 'From a tray to its batch, the other trays of that batch, its seed, feed and water.',
    ways: ['Follow a line to what it leads to, or print it.'],
    words: ['batch'],
  },
  '/records/trials': {
    why: 'Which of two ways is better, and whether it could be chance.',
    ways: ['Set it up before sowing: cells are assigned at random. Then count as usual.'],
    words: ['trial', 'interval'],
  },
  '/records/year': {
    why: 'The year on one page: plans and results, seed to keep, what ran out, notes for next year.',
    ways: ['Plan next season copies this one with what was learned.'],
    words: ['germination', 'learned'],
  },
  '/signs': {
    why: 'Likely causes of what you see, judged by that tray’s own records, and what to check next.',
    ways: ['Choose what you see. Each cause lists the evidence for and against it, and what to do.'],
    words: ['flush', 'ec'],
  },
  '/signs/practice': {
    why: 'Made-up trays with a hidden cause, to learn from.',
    ways: ['Ask for measurements, decide, and compare with the answer.'],
    words: [],
  },
  '/supplies': {
    why: 'What you have: packs in stock, tools, containers, feeds, and the figures of materials.',
    ways: ['Correct any figure from your own label or measurement; it is marked as yours.'],
    words: ['loose', 'ec', 'air'],
    cautions: ['dust', 'asbestos', 'fertiliser'],
  },
  '/crops': {
    why: 'Crops with their figures and sources, and your packets of seed.',
    ways: ['Correct a figure for your conditions. A packet’s own germination and days are used first.'],
    words: ['germination', 'schedule'],
  },
  '/devices': {
    why: 'Scales, sensors and pens that send readings, and the weather.',
    ways: ['Give a device its key; it sends SenML with it. Simulated devices can be made to fail.'],
    words: ['simulated', 'ec'],
    cautions: ['electricity'],
  },
  '/in-and-out': {
    why: 'Export everything as one file, or import it.',
    ways: ['A file is checked before anything is saved: all of it is imported, or nothing.'],
    words: ['archive'],
  },
  '/tables': {
    why: 'Import from a spreadsheet, or export to one.',
    ways: ['Check the columns before anything is saved. Lines with a problem can be left out.'],
    words: [],
  },
  '/shared': {
    why: 'A recipe, feed or schedule somebody shared with you, beside your own; or a recipe in words.',
    ways: ['Nothing is saved until you press Save.'],
    words: ['part'],
  },
  '/settings': {
    why: 'Your household: name, units, dates, people, days away, deleted items.',
    ways: ['Deleted items can be restored here for 90 days.'],
    words: [],
  },
  '/all': {
    why: 'Every page of Blastomix on one.',
    ways: ['Ctrl K searches from anywhere.'],
    words: [],
  },
  '/help': {
    why: 'How it works, words, methods, cautions and sources.',
    ways: ['Print makes a booklet of it.'],
    words: [],
  },
}
