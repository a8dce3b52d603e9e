import { QUANTITIES, type Quantity } from '#core/readings/kinds'
import type { Doubt as DeviceDoubt } from '#core/readings/plausibility'
import type { DoseFound, DrainFound } from '#core/readings/dose-by-ec'
import { printNumber, printQuantity, printShare } from '#core/units/format'
import type { Doubt as WeightDoubt } from '#core/water/weighing'
import { messages } from './message'

/* Why a weight, or what a device sends, is doubted, and what to do about it. */

const say = messages({
  impossible: '{name} of {value} cannot be. Look at the probe and its cable.',
  silent:
    'Nothing heard for {time}. Look at its battery and its gateway; until then type what you read yourself.',
  'out of range':
    '{name} of {value} cannot be: it measures {from} to {to}. Look at its cable; it is left out.',
  jumps:
    'It jumps: {times} times in half an hour by more than {step} a minute. Its plug may be wet or loose; it is left out.',
  stuck:
    'It has said {value} for {time}, to the last digit. It may be stuck: warm it in your hand and look; until then it is left out.',
  minutes: '{n, plural, one {# minute} other {# minutes}}',
  hours: '{n, plural, one {# hour} other {# hours}}',
  days: '{n, plural, one {# day} other {# days}}',
  'not above 0': 'A weight is above 0.',
  'far too heavy':
    'That is far more than it can weigh: about {about} when it is full. Grams, or another unit?',
  'far too light': 'That is far less than its dry mix and tray: about {about}. Grams, or another unit?',
  'wet, not dry': 'Dry it should be nearer {about}; so much says that water is in it.',
  'lighter than dry':
    'Lighter than its dry mix with its tray, about {about}: was it weighed without its saucer, or the scale set to 0 with something on it?',
  'heavier than full':
    'Heavier than it is when full, about {about}: was a second tray, or water in the saucer, weighed with it?',
  'no water':
    '{jug} mS/cm. Measure your water too, and write it down under Feed: the dose is what lies above it.',
  'no ions': 'This feed does not conduct, so a pen cannot tell how strong it is. Measure it out again.',
  'less than water':
    '{jug} mS/cm, less than your water at {water}. One of the two is wrong: put the pen into plain water.',
  found: '{more} mS/cm more than your water: {found}, wanted {wanted}: {verdict}.{calibrate}',
  right: 'as it should be',
  'too strong': 'too strong; with {percent} more water it is right',
  'too weak': 'too weak; stir, wait until all is dissolved, and look again before you add any',
  calibrate: ' Calibrate the pen: it may read a few per cent low.',
  fine: '{drain} mS/cm drains off; this stage bears {most}. No need to flush.',
  flush:
    '{drain} mS/cm drains off; this stage bears {most}. Flush it: pour {flush} of plain water through from above, twice what it holds, let it drain, and measure again.',
  apart:
    'Two weighings within the hour are {about} apart. Weigh something known, a litre of water is 1000 g, and undo the one that is wrong.',
})

const grams = (g: number) => printQuantity(g, 'mass', 'metric')
/** @param mass how the household says a weight, given in g */
export const sayWeightDoubt = ({ why, aboutG }: WeightDoubt, mass = grams): string =>
  say(why, { about: mass(aboutG) })
export const sayApart = (apartG: number, mass = grams): string => say('apart', { about: mass(apartG) })

const valueOf = (value: number, quantity: Quantity) =>
  `${Math.round(value * 100) / 100} ${QUANTITIES[quantity].unit}`
/** A value that is no reading of its quantity. */
export const sayImpossible = (quantity: Quantity, value: number): string =>
  say('impossible', { name: QUANTITIES[quantity].name, value: valueOf(value, quantity) })

export function sayDeviceDoubt(doubt: DeviceDoubt): string {
  switch (doubt.kind) {
    case 'silent':
      return say('silent', { time: timeOf(doubt.pauseMs) })
    case 'out of range': {
      const { name, from, to } = QUANTITIES[doubt.quantity]
      return say('out of range', { name, value: valueOf(doubt.value, doubt.quantity), from, to })
    }
    case 'jumps':
      return say('jumps', {
        times: doubt.times,
        step: `${printNumber(doubt.perMinute)} ${QUANTITIES[doubt.quantity].unit}`,
      })
    case 'stuck':
      return say('stuck', { value: valueOf(doubt.value, doubt.quantity), time: timeOf(doubt.forMs) })
  }
}

function timeOf(ms: number): string {
  const minutes = Math.round(ms / 60_000)
  if (minutes < 90) return say('minutes', { n: minutes })
  const hours = Math.round(minutes / 60)
  return hours < 48 ? say('hours', { n: hours }) : say('days', { n: Math.round(hours / 24) })
}

/** @param strength how the household says a strength of nitrogen */
export function sayDose(found: DoseFound, strength: (mgPerL: number) => string): string {
  switch (found.kind) {
    case 'no water':
      return say('no water', { jug: found.jug.toFixed(2) })
    case 'no ions':
      return say('no ions')
    case 'less than water':
      return say('less than water', { jug: found.jug.toFixed(2), water: found.water.toFixed(2) })
    default:
      return say('found', {
        more: found.more.toFixed(2),
        found: strength(found.found),
        wanted: strength(found.wanted),
        verdict: say(found.kind, { percent: printShare(Math.round(found.off * 100) / 100) }),
        calibrate: found.calibrate ? say('calibrate') : '',
      })
  }
}
/** @param volume how the household says litres */
export const sayDrain = ({ kind, drain, most, flushL }: DrainFound, volume: (l: number) => string): string =>
  say(kind, { drain: drain.toFixed(2), most: most.toFixed(1), flush: volume(flushL) })
