import type { Picture } from '#core/jobs/picture'
import { capital } from '#core/text/capital'
import { pluralOf } from './message'

/* What a step shows, for those who cannot see it. */

type Words = { readonly [Kind in Picture['kind']]: (of: Extract<Picture, { kind: Kind }>) => string }
const mm = (value: number) => `${Math.round(value)} mm`
const percent = (share: number) => `${Math.round(share * 100)} %`
const COVERS = { none: 'A tray without a cover', dome: 'A dome over the tray', film: 'Film over the tray' }

const WORDS: Words = {
  tub: ({ of, filled }) => `${capital(of)} filled to ${percent(filled)} of its height`,
  scoops: ({ of }) =>
    of.map(({ name, scoops }) => `${Math.round(scoops * 4) / 4} scoops of ${name}`).join(', '),
  squeeze: () => 'A fist squeezing a ball of mix: it holds, and no water runs',
  sieve: () => 'A sieve over a tub',
  thermometer: ({ belowC }) => `A thermometer in the middle of the mix, below ${belowC} °C`,
  cell: ({ depthMm, freeMm, dentMm, seeds, coverMm }) =>
    [
      `Section through a cell ${mm(depthMm)} deep`,
      freeMm > 0 ? `${mm(freeMm)} free at the top` : 'filled to the rim',
      dentMm > 0 ? `a dent ${mm(dentMm)} deep` : '',
      seeds > 0 ? `${seeds} ${pluralOf(seeds, 'seed')}` : '',
      coverMm > 0 ? `covered ${mm(coverMm)}` : '',
    ]
      .filter(Boolean)
      .join(', '),
  cells: ({ chosen, rows, columns }) =>
    `${chosen.length} of ${rows * columns} cells of the tray, in ${rows} rows`,
  soak: ({ how, stands }) =>
    ({
      below: `A tray standing in water to ${percent(stands)} of its cells`,
      mist: 'A fine mist over the tray',
      above: 'A gentle rose over the tray',
    })[how],
  can: ({ filled }) => `A can filled to ${percent(filled)}`,
  plant: ({ lift, bury }) =>
    lift
      ? 'A seedling held by a leaf, never by its stem'
      : bury
        ? 'A seedling set deep, the mix up to its seed leaves'
        : 'A seedling set as deep as it stood',
  hole: ({ castings, stake }) =>
    `A container filled to its line, ${castings ? 'castings and feed in the hole' : 'a hole in the middle'}${stake ? ', a stake beside it' : ''}`,
  label: ({ lines }) => `A label: ${lines.join(', ')}`,
  wash: () => 'A brush and a tray in washing water',
  cover: ({ cover, warm }) => `${COVERS[cover]}${warm ? ', on a mat' : ''}`,
}

/** A picture in words, for those who cannot see it. */
export const pictureWords = (picture: Picture): string =>
  (WORDS[picture.kind] as (of: Picture) => string)(picture)
