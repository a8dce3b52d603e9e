import type { Feed } from '#core/feed/feed'
import type { Tool } from '#core/feed/tool'
import type { Shed } from '#shared/records/batch'
import { asContainer } from '#shared/records/container'
import { asFeed } from '#shared/records/feed'
import { asMaterial, libraryWith } from '#shared/records/material'
import type { Greenhouse } from '#shared/records/programme'
import { asTool } from '#shared/records/tool'
import { list, type Reader } from './reading'

/** What a batch is reckoned with: the household's own containers and materials beside the catalogues. */
export async function shedOf(householdId: string, reader: Reader): Promise<Shed> {
  // One after the other: inside a transaction there is one connection.
  const containers = await list('containers', householdId, reader)
  const materials = await list('materials', householdId, reader)
  return {
    containers: containers.map(({ id, body }) => asContainer(id, body)),
    materials: libraryWith(materials.map(({ id, body }) => asMaterial(id, body))),
  }
}

export const feedsOf = async (householdId: string, reader: Reader): Promise<Feed[]> =>
  (await list('feeds', householdId, reader)).map(({ id, body }) => asFeed(id, body))

export const toolsOf = async (householdId: string, reader: Reader): Promise<Tool[]> =>
  (await list('tools', householdId, reader)).map(({ id, body }) => asTool(id, body))

/** What a programme of feeds is reckoned with. */
export async function greenhouseOf(householdId: string, reader: Reader): Promise<Greenhouse> {
  const shed = await shedOf(householdId, reader)
  const feeds = await feedsOf(householdId, reader)
  const recipes = await list('recipes', householdId, reader)
  const batches = await list('batches', householdId, reader)
  return {
    ...shed,
    feeds,
    parts: new Map([...recipes, ...batches].map(({ id, body }) => [id, body.parts])),
  }
}
