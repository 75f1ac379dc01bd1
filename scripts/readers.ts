/**
 * Writes docs/readers.md: what the compiler emits, which major readers know it, and what the others show.
 * Usage: npm run readers-docs
 */
import { writeFileSync } from 'node:fs'
import { readersDocs } from '@/test-support/readers'

writeFileSync('docs/readers.md', readersDocs())
