import { openApiDocument } from '../http/openapi'

export default defineEventHandler(() => openApiDocument())
