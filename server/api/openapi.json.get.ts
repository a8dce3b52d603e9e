import { defineEventHandler } from 'h3'
import { openApiDocument } from '../http/openapi'

export default defineEventHandler(() => openApiDocument())
