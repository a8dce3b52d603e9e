import * as z from 'zod'
import { doseProblems } from '#core/feed/dose'
import { ruled } from '../records/rules'
import { feedFields } from '../records/feed'
import { toolFields } from '../records/tool'
import { asDoseRequest } from '../derived/dose-request'
import { doseFields } from '../records/feeding'

export const doseToCompute = ruled(
  doseFields.extend({ feed: feedFields, tools: z.array(toolFields).max(200).default([]) }),
  (value) => doseProblems(asDoseRequest(value)),
)
