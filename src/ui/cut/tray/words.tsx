'use client'
import { setCut } from '@/core/cut/edits'
import { type Cut, type Lettering } from '@/core/cut/plan'
import { plainOf, textOf } from '@/core/email/richtext'
import { type ButtonStyle, type TextStyle } from '@/core/email/styles'
import { placeOf } from '@/core/email/walk'
import { Button, ColorField, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { Dropdown, fontOptions, Tick } from '../../compose/groups/parts'
import { together, type CutGroup } from './cut-group'
import { Reading } from './reading'
import { type CutWork } from '../work/use-cut-work'

type Shown = Partial<TextStyle & ButtonStyle>

/** How the words of a cut come out in the email, wherever in it they stand. */
function styleOf(w: CutWork, id: string): Shown | undefined {
  const tile = w.result && placeOf(w.result.email, `t-${id}`)?.tile
  return tile?.kind === 'words' || tile?.kind === 'button' ? tile.style : undefined
}

/** What was measured of them, to begin with when one thing of it is set by hand. */
function measured(w: CutWork, id: string): Lettering {
  const { size = 16, font, bold, italic, spacing } = styleOf(w, id) ?? {}
  return {
    size,
    ...(font ? { font } : {}),
    ...(bold === undefined ? {} : { bold }),
    ...(italic ? { italic } : {}),
    ...(spacing ? { spacing } : {}),
  }
}

/** What the words or the button say, and their letters. */
export function WordsGroups(props: CutGroup) {
  return (
    <div className="grid min-w-0 grid-cols-2">
      <Said {...props} />
      <Letters {...props} />
    </div>
  )
}

function Said({ work: w, cut }: CutGroup) {
  return (
    <Group title={cut.kind === 'button' ? 'Button' : 'Words'}>
      <TextRow
        label="Words"
        plain
        lines={cut.kind === 'button' ? 1 : 4}
        value={cut.words ? plainOf(cut.words) : ''}
        placeholder="Type or paste the words. A blank line begins a new paragraph."
        onChange={(v) =>
          w.change(
            'write the words',
            (p) => setCut(p, cut.id, { words: v.trim() ? textOf(v) : null }),
            `words-${cut.id}`,
          )
        }
      />
      {w.proposals.has(cut.id) ? (
        <Reading w={w} id={cut.id} />
      ) : (
        <Button className="self-start py-0!" disabled={!!w.work} onClick={() => void w.readWords([cut])}>
          Read them from the design
        </Button>
      )}
      {cut.kind === 'button' && (
        <TextRow
          label="Link"
          value={cut.link}
          placeholder="https://"
          onChange={(v) => together(w, 'button', 'set the link', () => ({ link: v }), `link-${cut.id}`)}
        />
      )}
    </Group>
  )
}

type SetLetters = (label: string, set: Partial<Lettering>) => void

function Letters({ work: w, cut }: CutGroup) {
  const l = cut.lettering
  const shown = styleOf(w, cut.id)
  const letters: SetLetters = (label, set) =>
    together(
      w,
      cut.kind,
      label,
      (c) => ({ lettering: { ...measured(w, c.id), ...c.lettering, ...set } }),
      `letters-${Object.keys(set).join()}`,
    )
  return (
    <Group title="Letters">
      {l?.designFont && (
        <p className="truncate text-[11.5px] text-soft" title={l.designFont}>
          In the design: {l.designFont}
        </p>
      )}
      <Row label="Font">
        <Dropdown
          label="Font"
          value={l ? (l.font ?? '') : (shown?.font ?? '')}
          options={[{ value: '', label: 'of the house' }, ...fontOptions(w.job.client.house)]}
          onChange={(v) => letters('set the font', { font: v || undefined })}
        />
      </Row>
      <Sizes cut={cut} shown={shown} letters={letters} />
      <Row label="Colour">
        <ColorField
          label="Colour of the letters"
          own={!!l?.color}
          value={l?.color ?? shown?.color ?? '#222222'}
          swatches={w.job.client.house.colors}
          onChange={(color) => letters('set the colour', { color })}
        />
      </Row>
      <Tick
        checked={l?.bold ?? shown?.bold ?? false}
        onChange={(bold) => letters('set the weight', { bold })}
      >
        Bold
      </Tick>
      {cut.box && <ButtonBox w={w} cut={cut} box={cut.box} />}
      {l && (
        <Button
          className="self-start py-0!"
          onClick={() => together(w, cut.kind, 'measure the letters again', () => ({ lettering: undefined }))}
        >
          As measured in the design
        </Button>
      )}
    </Group>
  )
}

/** Sizes of the letters and their lines, px. */
function Sizes({ cut, shown, letters }: { cut: Cut; shown: Shown | undefined; letters: SetLetters }) {
  const l = cut.lettering
  return (
    <div className="grid grid-cols-2 gap-2">
      <Row label="Size">
        <NumberField
          label="Letter size, px"
          own={!!l}
          value={l?.size ?? shown?.size ?? 16}
          min={4}
          max={120}
          onChange={(size) => letters('set the size', { size })}
        />
      </Row>
      {cut.kind === 'words' && (
        <Row label="Line">
          <NumberField
            label="Line height, px"
            own={!!l?.line}
            value={l?.line ?? shown?.line ?? 24}
            min={4}
            max={200}
            onChange={(line) => letters('set the line height', { line })}
          />
        </Row>
      )}
    </div>
  )
}

function ButtonBox({ w, cut, box }: { w: CutWork; cut: Cut; box: NonNullable<Cut['box']> }) {
  return (
    <div className="grid grid-cols-[1fr_84px] gap-2">
      <ColorField
        label="Colour of the button"
        value={box.background}
        swatches={w.job.client.house.colors}
        onChange={(background) =>
          w.change('set the button colour', (p) => setCut(p, cut.id, { box: { ...box, background } }), 'box')
        }
      />
      <NumberField
        label="Radius, px"
        value={box.radius}
        max={200}
        onChange={(radius) =>
          w.change('set the radius', (p) => setCut(p, cut.id, { box: { ...box, radius } }), 'radius')
        }
      />
    </div>
  )
}
