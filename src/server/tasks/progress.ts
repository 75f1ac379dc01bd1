import type { z } from 'zod'
import type { task } from '@/contract/tasks'

/** How far long work is. */
export type Progress = NonNullable<z.output<typeof task>['progress']>
export type Tell = (p: Progress) => void
