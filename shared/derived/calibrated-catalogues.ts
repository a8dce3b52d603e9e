import { DEFAULT_ALLOWANCES, type Allowances } from '#core/media/batch-request'
import type { MaterialLibrary } from '#core/media/material'
import type { Catalogue } from '#core/catalogue'
import type { Feed } from '#core/feed/feed'
import type { Calibrations } from '#core/learning/calibrations'
import type { Crop } from '#core/sowing/crop'
import { learnedSource } from '#core/working/source'

/*
 * What the household's own measurements change, each in the row everything else is counted on: a plan that asks the
 * catalogue has them at once, and its working says where they come from. A figure a person typed stands as it was typed.
 */

const changed = <Row extends { readonly id: string }>(
  rows: Catalogue<Row>,
  change: (row: Row) => Row,
): Catalogue<Row> => new Map([...rows].map(([id, row]) => [id, change(row)]))

/** Settling as this bench taps its trays, and what its coir gives. */
export function learnedMaterials(library: MaterialLibrary, calibrations: Calibrations): MaterialLibrary {
  const settling = calibrations.of('settling')
  const coir = calibrations.of('coir yield')
  if (settling.n + coir.n === 0) return library
  return changed(library, (material) => ({
    ...material,
    ...(settling.n && material.sources.settling.tag !== 'yours'
      ? {
          settling: material.settling * settling.mean,
          sources: {
            ...material.sources,
            settling: learnedSource(settling.n, material.sources.settling),
          },
        }
      : {}),
    ...(coir.n && material.compressed ? { coirYield: { lPerKg: coir.mean, n: coir.n } } : {}),
  }))
}

/** Powders by the weight of the household's own spoon. */
export function learnedFeeds(feeds: Catalogue<Feed>, calibrations: Calibrations): Catalogue<Feed> {
  if (calibrations.things('powder density').length === 0) return feeds
  return changed(feeds, (feed) => learnedFeed(feed, calibrations))
}
/** One of them. */
export function learnedFeed(feed: Feed, calibrations: Calibrations): Feed {
  const { n, mean } = calibrations.of('powder density', feed.id)
  if (n === 0 || feed.form !== 'powder' || feed.sources.densityGPerMl.tag === 'yours') return feed
  const source = learnedSource(n, feed.sources.densityGPerMl)
  return { ...feed, densityGPerMl: mean, sources: { ...feed.sources, densityGPerMl: source } }
}

/** Crops as they come up here, and as strong as they like their feed. */
export function learnedCrops(crops: Catalogue<Crop>, calibrations: Calibrations): Catalogue<Crop> {
  const known = new Set([...calibrations.things('days up'), ...calibrations.things('feed response')])
  if (known.size === 0) return crops
  return changed(crops, (crop) => {
    if (!known.has(crop.id)) return crop
    const days = calibrations.of('days up', crop.id)
    const feed = calibrations.of('feed response', crop.id)
    return {
      ...crop,
      ...(days.n && crop.sources.emergence.tag !== 'yours'
        ? { emergence: { ...crop.emergence, factor: crop.emergence.factor * days.mean, learned: days.n } }
        : {}),
      ...(feed.n ? { feedResponse: { factor: feed.mean, n: feed.n } } : {}),
    }
  })
}

/** Allowances with what was learned in the place of what nobody changed. */
export function learnedAllowances(said: Allowances, calibrations: Calibrations): Allowances {
  const press = calibrations.of('block compression')
  const loss = calibrations.of('mixing loss')
  const usual = (key: 'blockCompression' | 'mixingLossK') => said[key] === DEFAULT_ALLOWANCES[key]
  const learned = {
    ...(press.n && usual('blockCompression') ? { blockCompression: press.n } : {}),
    ...(loss.n && usual('mixingLossK') ? { mixingLossK: loss.n } : {}),
  }
  if (Object.keys(learned).length === 0) return said
  return {
    ...said,
    ...('blockCompression' in learned && { blockCompression: press.mean }),
    ...('mixingLossK' in learned && { mixingLossK: loss.mean }),
    learned,
  }
}

/** What a jug is called where it is measured. */
export const jugKey = (name: string): string => name.trim().toLowerCase().slice(0, 80)

/** A jug, scoop or can with what it really holds. */
export function learnedVessel<Vessel extends { readonly name: string; readonly volumeL: number }>(
  vessel: Vessel,
  calibrations: Calibrations,
): Vessel {
  const { n, mean } = calibrations.of('jug', jugKey(vessel.name))
  return n === 0 ? vessel : { ...vessel, volumeL: vessel.volumeL * mean }
}
