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
    why: 'Batches and feeds that are planned, newest first, each with its card for the bench.',
    ways: [
      'Bench card: all of it on one page, to print or to keep open with wet hands.',
      'A batch that is made leaves the shelf; take it back and it is there again.',
    ],
    words: ['batch', 'loose'],
  },
  '/first': {
    why: 'The first questions, in any order: kitchen, frosts, room, supplies, what stands, the first wish.',
    ways: [
      'Leave what you do not know. Nothing is assumed that you did not say.',
      'Each answer says at once what it changed.',
    ],
    words: ['flat', 'schedule', 'batch'],
    cautions: ['electricity'],
  },
  '/today': {
    why: 'One walk round the bench: what is made first, then place by place, then the evening.',
    ways: [
      'Tick off what is done; the calendar beside it writes it down as of another day, or a part of it.',
      'Start opens the job step by step. The clock puts it off until tomorrow.',
    ],
    words: ['stage', 'harden off', 'pot up', 'prick out'],
    keys: [
      ['↑ ↓', 'go through the jobs'],
      ['d', 'done'],
      ['u', 'take the last one back'],
    ],
  },
  '/season': {
    why: 'Every sowing as a schedule on one axis of time, and below it what they ask for: room, mix, feed.',
    ways: [
      'Say what you will raise in one sentence; it is planned as you type, kept when you press Plan it.',
      'Drag a sowing or the edge between two stages; all that hangs on it moves.',
      'Frosts and places: when it freezes, where trays stand, which method you follow.',
    ],
    words: ['schedule', 'stage', 'method', 'flat', 'certainty', 'harden off'],
    keys: [
      ['← →', 'move the sowing in hand by a day'],
      ['Enter', 'open it'],
      ['Esc', 'let go, or close its panel'],
    ],
    cautions: ['electricity'],
  },
  '/season/batches': {
    why: 'The batches of mix and the feeds the season asks for, by date.',
    ways: ['Bench card plans one of them and opens its card in one press.'],
    words: ['batch', 'loose', 'mg/L N'],
    cautions: ['dust', 'fertiliser'],
  },
  '/season/buying': {
    why: 'What the season needs that is not on the shelf, in whole packs, the cheapest way.',
    ways: ['Prices and packs come from Supplies; what has no price is bought in the usual pack.'],
    words: ['loose'],
  },
  '/season/light': {
    why: 'How high a lamp hangs for the light a seedling wants.',
    ways: ['Move the lamp, or read a meter under it. Daylight needs no height.'],
    words: ['mol', 'method'],
    cautions: ['electricity'],
  },
  '/season/odds': {
    why: 'How sure it is that there will be enough plants: thousands of made-up seasons with seed that does not come up.',
    ways: ['More certainty costs cells; the curve shows how many.'],
    words: ['certainty', 'germination'],
  },
  '/mix': {
    why: 'A recipe as a section through the mix, and how much of it your trays and pots really take.',
    ways: [
      'Drag the edges or type the parts. Say what it fills, with which cover.',
      'Any figure opens its working when you press it.',
      'Keep it as a recipe, share it, or print its card.',
    ],
    words: ['part', 'loose', 'settling', 'mixing loss', 'air', 'wet zone', 'ph', 'ec'],
    cautions: ['dust', 'asbestos', 'microbes', 'lifting'],
  },
  '/find': {
    why: 'A mix found by the computer: say what it should hold of air, water, price, and what you have.',
    ways: ['The map shows every blend of three; press a point to take it.'],
    words: ['air', 'part'],
    cautions: ['dust'],
  },
  '/feed': {
    why: 'How much of which bottle goes into your jug, for plants of this age.',
    ways: [
      'Every rule of thumb is a place on one scale. Drag the drop, or choose the stage.',
      'Choose the spoon, cap or scale you have: the dose is said in it, with what rounding does.',
    ],
    words: ['mg/L N', 'dose', 'ec', 'leach', 'drain-off'],
    cautions: ['fertiliser', 'homeBrew', 'aboveLabel'],
  },
  '/blend': {
    why: 'Two stock solutions or several feeds together, for what one bottle does not hold.',
    ways: ['Say what each litre should hold; what must not meet in one concentrate is kept apart.'],
    words: ['mg/L N', 'ec', 'dose'],
    cautions: ['concentrates', 'fertiliser'],
  },
  '/programme': {
    why: 'Feeding over weeks: each stage with its strength and its rhythm, and what it uses up.',
    ways: ['Pick a method, then change a stage. It says when the mix itself runs out of food.'],
    words: ['method', 'stage', 'mg/L N'],
    cautions: ['fertiliser'],
  },
  '/trays': {
    why: 'All trays that stand, place by place, and what is to be laid out next.',
    ways: ['Lay it out gives each sowing its group of cells. Make a tray draws one that stands already.'],
    words: ['group', 'cell', 'flat'],
    cautions: ['lifting'],
  },
  '/trays/:id': {
    why: 'One tray, cell by cell: what is sown, up, lost, moved on; its water, its photos, where it comes from.',
    ways: [
      'Count by tapping the cells that came up, by going over them, or by typing 31 of 36.',
      'Weigh it, or say that it is light to lift: it learns its own thirst.',
    ],
    words: ['group', 'cell', 'germination', 'interval', 'leach'],
    keys: [
      ['arrows', 'go from cell to cell'],
      ['space', 'mark the cell'],
      ['0–9', 'so many in it'],
      ['r', 'its whole group'],
    ],
    cautions: ['lifting'],
  },
  '/trays/labels': {
    why: 'Labels for groups, packs, pots, bottles and tubs, and a key for each tray.',
    ways: ['On plain paper, on your own sheets of labels, or to a label printer. The code opens the tray.'],
    words: ['group', 'simulated'],
  },
  '/trays/try-it': {
    why: 'Two habits of watering side by side over six weeks: water, air, salts, food.',
    ways: ['Change mix, place or habit on either side; nothing of it is written down.'],
    words: ['air', 'ec', 'leach'],
  },
  '/bench/:id': {
    why: 'The card of a batch: materials, water, fills and steps, for wet hands or on paper.',
    ways: ['Start goes through it step by step. It is made writes it down and takes it from the shelf.'],
    words: ['batch', 'loose', 'part'],
    cautions: ['dust', 'microbes', 'scald', 'lifting'],
  },
  '/bench/feed/:id': {
    why: 'The card of a feed: how much into which jug, and what to do with it.',
    ways: ['A pen in the jug confirms the dose.'],
    words: ['dose', 'mg/L N', 'ec'],
    cautions: ['fertiliser'],
  },
  '/jobs': {
    why: 'Jobs under way at the bench, and their timers.',
    ways: ['Several can run side by side; two phones can share one.'],
    words: [],
  },
  '/jobs/:id': {
    why: 'One step a screen, for wet hands.',
    ways: [
      'Tap anywhere, press space or Done. Timers go on when the tab is closed. End writes down what was ticked.',
    ],
    words: ['loose'],
    keys: [
      ['space', 'done, the next step'],
      ['← →', 'look at another step'],
    ],
    cautions: ['dust', 'microbes', 'scald', 'lifting'],
  },
  '/jobs/sheets/:id': {
    why: 'A job on paper, a sheet for each pair of hands.',
    ways: ['Print it, tick with a pencil, write it down afterwards.'],
    words: [],
  },
  '/log': {
    why: 'What happened, in one line each, with everything that was ticked off elsewhere.',
    ways: [
      'Type as you would say it; every word is shown as what it was taken for.',
      'Look for words, a tray, a packet, a place, back through the years.',
    ],
    words: ['entry'],
  },
  '/log/charts': {
    why: 'A season to look at: time lines, germination, water, feed, cost. Each has its table.',
    ways: ['As a table, as CSV, as SVG or PNG.'],
    words: ['interval', 'germination'],
  },
  '/log/learned': {
    why: 'Each figure of the book beside yours, and what it was measured by.',
    ways: ['Leave a measurement out, or count it again: plans follow at once.'],
    words: ['learned'],
  },
  '/log/photos': {
    why: 'Two trays side by side at the same age.',
    ways: ['Photos are taken on a tray’s page.'],
    words: [],
  },
  '/log/trace/:id': {
    why: 'From a sick tray to its batch, the other trays of that batch, seed, feed and water.',
    ways: ['Follow a line to the thing it leads to, or print it.'],
    words: ['batch'],
  },
  '/log/trials': {
    why: 'Which of two ways is better, and whether it could be chance.',
    ways: ['Set it up before you sow: the cells are dealt by lot. Then count as usual.'],
    words: ['trial', 'interval'],
  },
  '/log/year': {
    why: 'The year on one page: plans against what happened, seed to keep, what ran out, notes to yourself.',
    ways: ['Next season from this one plans it anew with what was learned.'],
    words: ['germination', 'learned'],
  },
  '/signs': {
    why: 'What a plant shows, weighed by that tray’s own record, and what to look at next.',
    ways: ['Tick what you see. Causes come with what speaks for and against them, and what to do.'],
    words: ['leach', 'ec'],
  },
  '/signs/practice': {
    why: 'Made-up trays with a hidden cause, to learn on.',
    ways: ['Ask for measurements, decide, and see what the record would have said.'],
    words: [],
  },
  '/supplies': {
    why: 'What is on the shelf, in the drawer and on the bench: materials, feeds, containers, tools, packs.',
    ways: ['Correct a figure of the book by your own label or measurement; it says so from then on.'],
    words: ['loose', 'ec', 'air'],
    cautions: ['dust', 'asbestos', 'fertiliser'],
  },
  '/crops': {
    why: 'Crops with their figures and sources, and the packets of seed you keep.',
    ways: ['Correct a figure for your place. A packet’s own germination and days beat the book.'],
    words: ['germination', 'schedule'],
  },
  '/devices': {
    why: 'Scales, probes and pens that send what they read, and the weather.',
    ways: [
      'Give a device its key; whatever sends SenML with it is heard. Simulated ones can be broken on purpose.',
    ],
    words: ['simulated', 'ec'],
    cautions: ['electricity'],
  },
  '/in-and-out': {
    why: 'What you keep is yours: everything as one file, and back.',
    ways: ['A file is looked at before anything is written, then all of it or nothing.'],
    words: ['archive'],
  },
  '/tables': {
    why: 'Your spreadsheet in, and what is kept here out as one.',
    ways: [
      'Headings are read in several languages; put a column right before anything is written. Good lines go in alone.',
    ],
    words: [],
  },
  '/shared': {
    why: 'A recipe, feed or schedule somebody shared, beside your own; or a recipe in words, read word by word.',
    ways: ['Nothing is kept before you say so.'],
    words: ['part'],
  },
  '/settings': {
    why: 'The household on one page: name, kitchen, dates, places, people, devices, what was removed lately.',
    ways: ['What was removed comes back from here for 90 days.'],
    words: [],
  },
  '/help': {
    why: 'All of this to read or print: how it hangs together, words, methods, cautions, sources.',
    ways: ['Print makes a booklet of it.'],
    words: [],
  },
}
