import { defineEventHandler } from 'h3'
import { ROUTES } from '#routes'
import { openApiDocument } from '../http/openapi'

let document: ReturnType<typeof openApiDocument> | undefined

export default defineEventHandler(() => (document ??= openApiDocument(ROUTES)))
