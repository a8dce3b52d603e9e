import { describe, expect, test } from '@jest/globals'
import { bodyOf } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { fieldAt, valueAt, withValueAt } from '#shared/records/field-at'
import { place } from '#shared/records/place'
import { seasonFrame } from '#shared/records/season-frame'
import { FIELDS, fieldWords } from './fields'

const schemaOf = (record: string) =>
  ({ places: place, season: seasonFrame })[record] ?? bodyOf(record as Collection)

describe('fields of records', () => {
  test.each(Object.keys(FIELDS))(
    'every named field of %s is there, with the choices that are named',
    (record) => {
      const schema = schemaOf(record)
      for (const path of Object.keys(FIELDS[record]!)) {
        const field = fieldAt(schema, path.replace(/^stages\./, 'stages[0].'))
        const { choices } = fieldWords(record, path)
        if (choices) expect(Object.keys(choices).sort()).toEqual([...field.choices].sort())
      }
    },
  )

  test('a field says what it takes, its unit and whether it may stay empty', () => {
    expect(fieldAt(bodyOf('packets'), 'depthMm')).toMatchObject({
      takes: 'number',
      unit: 'mm',
      optional: true,
    })
    expect(fieldAt(bodyOf('containers'), 'shape.topDiameterMm')).toMatchObject({
      unit: 'mm',
      optional: false,
    })
    expect(fieldAt(bodyOf('crops'), 'figures.weeks[1]')).toMatchObject({ takes: 'number', optional: false })
    expect(fieldAt(seasonFrame, 'lastFrost')).toMatchObject({ takes: 'day', optional: true })
    expect(fieldAt(place, 'light.measured.radiusCm')).toMatchObject({ unit: 'cm' })
    expect(() => fieldAt(place, 'light.colour')).toThrow(RangeError)
  })

  test('a value is set without touching the record it came from', () => {
    const before = { figures: { weeks: [6, 8] }, name: 'leek' }
    const after = withValueAt(before, 'figures.weeks[1]', 9)
    expect(valueAt(after, 'figures.weeks[1]')).toBe(9)
    expect(before.figures.weeks).toEqual([6, 8])
    expect(after.name).toBe('leek')
    expect(valueAt({ light: null }, 'light.count')).toBeNull()
  })

  test('a field nobody named is called by its key, without its unit', () => {
    expect(fieldWords(undefined, 'volumeMl').label).toBe('Volume')
    expect(fieldWords(undefined, 'canL').label).toBe('Can')
    expect(fieldWords(undefined, 'seedsPerCell').label).toBe('Seeds per cell')
  })
})
