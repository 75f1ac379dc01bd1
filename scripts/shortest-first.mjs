import { statSync } from 'node:fs'
import Sequencer from '@jest/test-sequencer'

/** Short test files first: they are examples, which tell of a change at once; long ones hold the properties. */
export default class ShortestFirst extends Sequencer {
  sort(tests) {
    return [...tests].sort((a, b) => statSync(a.path).size - statSync(b.path).size)
  }
}
