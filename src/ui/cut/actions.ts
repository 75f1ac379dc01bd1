import { cutKinds, isUnread } from '@/core/cut/plan'
import type { Action } from '../bench/actions'
import { kindNames } from './kinds'
import type { ByHand } from './work/by-hand'
import type { CutWork } from './work/use-cut-work'

/** The dialogs of the stage. */
export type CutDialog = 'pictures' | 'deck' | 'colors' | 'files'

/** Everything that can be done in Cut, for the finder and by shortcut. */
export function cutActions(
  w: CutWork,
  hand: ByHand,
  open: (dialog: CutDialog) => void,
  pick: () => void,
): Action[] {
  return [
    ...parts(w, hand),
    ...words(w, open),
    ...design(w, open, pick),
    ...kinds(w),
    ...places(w, hand),
    ...moves(w, hand),
    ...edges(w, hand),
  ]
}

/** The cuts that have no words or alt text yet and could. */
export const unread = ({ order }: CutWork) =>
  order.filter((c) =>
    c.kind === 'words' || c.kind === 'button' ? isUnread(c) : c.kind === 'picture' && c.alt === null,
  )

const group =
  (name: string) =>
  (
    id: string,
    label: string,
    run: () => void,
    { keys, off }: { keys?: string; off?: boolean } = {},
  ): Action => ({
    id,
    label,
    group: name,
    keys,
    run,
    off,
  })

function parts(w: CutWork, hand: ByHand): Action[] {
  const cut = group('Cut')
  const busy = !!w.work
  const none = !w.current
  const single = w.selected.length !== 1
  return [
    cut('find', 'Find the parts', () => void w.find(), { off: busy }),
    cut('read-find', 'Read the design, then find the parts', () => void w.find(true), { off: busy }),
    cut('build', 'Build the email', () => void w.build(), {
      keys: 'Ctrl Enter',
      off: busy || !w.plan.cuts.length,
    }),
    cut('next', 'Next cut', () => hand.near(1), { keys: 'J' }),
    cut('prev', 'Previous cut', () => hand.near(-1), { keys: 'K' }),
    cut('all', 'Select all cuts', () => w.setSelected(w.order.map((c) => c.id)), { keys: 'Ctrl A' }),
    cut('fill', 'Cut everything that was left out', hand.fill, { keys: 'N', off: !w.left.length }),
    cut('merge', 'Merge with the next, or all selected', hand.merge, { keys: 'M', off: none }),
    cut('across', 'Split across', () => void hand.split('across'), { keys: 'S', off: none }),
    cut('down', 'Split down', () => void hand.split('down'), { keys: 'D', off: none }),
    cut('duplicate', 'Duplicate the cut', hand.duplicate, { keys: 'Ctrl D', off: single }),
    cut('remove', 'Remove the cut', hand.remove, { keys: 'Delete', off: none }),
    cut('earlier', 'Earlier in the reading order', () => hand.reorder(-1), {
      keys: 'Ctrl ArrowUp',
      off: single,
    }),
    cut('later', 'Later in the reading order', () => hand.reorder(1), {
      keys: 'Ctrl ArrowDown',
      off: single,
    }),
    cut(
      'asread',
      'Reading order by place again',
      () => w.change('order by place', (p) => ({ ...p, order: undefined })),
      { off: !w.plan.order },
    ),
  ]
}

function words(w: CutWork, open: (dialog: CutDialog) => void): Action[] {
  const word = group('Words')
  const busy = !!w.work
  const bare = unread(w)
  return [
    word(
      'read',
      'Read the words of the selected cuts',
      () => void w.readWords(w.order.filter((c) => w.selected.includes(c.id))),
      { keys: 'R', off: !w.current || busy },
    ),
    word('readall', 'Read the words of all cuts that have none', () => void w.readWords(bare), {
      off: !bare.length || busy,
    }),
    word('takeall', 'Take all words that were read surely', () => w.takeProposals(w.sureOnes), {
      off: !w.sureOnes.length,
    }),
    word('deck', 'Copy deck', () => open('deck')),
  ]
}

function design(w: CutWork, open: (dialog: CutDialog) => void, pick: () => void): Action[] {
  const of = group('Design')
  return [
    of('colors', 'Colours of the design', () => open('colors'), { keys: 'C' }),
    of('pick', 'Pick a colour from the design', pick, { keys: 'I' }),
    of('pictures', 'Weight of the pictures', () => open('pictures'), { keys: 'W', off: !w.pictures.length }),
    of('files', 'Design and plan as files', () => open('files')),
  ]
}

const kinds = (w: CutWork): Action[] =>
  cutKinds.map((k, i) =>
    group('Cut')(k, `Make it ${kindNames[k].toLowerCase()}`, () => void w.become(w.selected, k), {
      keys: String(i + 1),
      off: !w.current,
    }),
  )

function places(w: CutWork, hand: ByHand): Action[] {
  const place = group('Place')
  const single = w.selected.length !== 1
  return [
    place('trim', 'Trim the cut to its content', hand.trim, { keys: 'T', off: single }),
    place('extend', 'Extend the cut to its neighbours', hand.extend, { keys: 'E', off: single }),
    place('lock', 'Lock or unlock the cut', hand.lock, { keys: 'L', off: !w.current }),
    ...(['left', 'center', 'right', 'top', 'middle', 'bottom'] as const).map((by) =>
      place(`align-${by}`, `Align the selected cuts: ${by}`, () => hand.align(by), {
        off: w.selected.length < 2,
      }),
    ),
    ...(['across', 'down'] as const).map((way) =>
      place(`distribute-${way}`, `Distribute the selected cuts ${way}`, () => hand.distribute(way), {
        off: w.selected.length < 3,
      }),
    ),
  ]
}

const moves = (w: CutWork, hand: ByHand): Action[] =>
  (
    [
      ['Up', 0, -1],
      ['Down', 0, 1],
      ['Left', -1, 0],
      ['Right', 1, 0],
    ] as const
  ).flatMap(([way, x, y]) =>
    ([1, 10] as const).map((by) =>
      group('Place')(
        `n${by}Arrow${way}`,
        `Move the cut by ${by} px, ${way.toLowerCase()}`,
        () => hand.nudge(by * x, by * y),
        { keys: by === 1 ? `Arrow${way}` : `Shift Arrow${way}`, off: !w.current },
      ),
    ),
  )

const edges = (w: CutWork, hand: ByHand): Action[] =>
  (
    [
      ['bottom', 1, 'Lower edge down', 'Alt ArrowDown'],
      ['bottom', -1, 'Lower edge up', 'Alt ArrowUp'],
      ['right', 1, 'Right edge out', 'Alt ArrowRight'],
      ['right', -1, 'Right edge in', 'Alt ArrowLeft'],
      ['top', -1, 'Upper edge up', 'Alt Shift ArrowUp'],
      ['top', 1, 'Upper edge down', 'Alt Shift ArrowDown'],
      ['left', -1, 'Left edge out', 'Alt Shift ArrowLeft'],
      ['left', 1, 'Left edge in', 'Alt Shift ArrowRight'],
    ] as const
  ).map(([side, by, label, keys]) =>
    group('Edges')(`${side}${by}`, `${label} by 1 px`, () => hand.edge(side, by), { keys, off: !w.current }),
  )
