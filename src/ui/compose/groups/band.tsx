'use client'
import type { ReactNode } from 'react'
import type { Edit } from '@/core/email/edits'
import { blockWidth, innerWidth } from '@/core/email/measures'
import type { Condition } from '@/core/email/conditions'
import type { Style } from '@/core/email/cascade'
import type { Band, Email, GroundPicture } from '@/core/email/schema'
import { sides } from '@/core/email/styles'
import {
  Button,
  Choice,
  ColorField,
  Group,
  NumberField,
  Row,
  SidesField,
  TextRow,
} from '../../parts/controls'
import { GradientRow } from '../../parts/gradient-field'
import type { BenchJob } from '../../bench/types'
import { TiedRow } from './tied'
import { LanguageRow } from './language'
import { TwinRow } from './twin'
import { aligns, EdgeRow, MaybeColor, Dropdown, PictureChooser, shows, Tick } from './parts'

interface Props {
  email: Email
  job: BenchJob
  /** Bands that are set along. */
  also: readonly string[]
  style: Style
  apply: (label: string, edit: Edit, merge?: string) => void
}

/** Sets values of a band, as one step of the undo history. */
type SetBand = (label: string, what: Partial<Omit<Band, 'id' | 'cells'>>, merge?: string) => void
type Apply = Props['apply']

const tests: { value: Condition['test']; label: string }[] = [
  { value: 'is', label: 'is' },
  { value: 'is not', label: 'is not' },
  { value: 'filled', label: 'is filled' },
  { value: 'empty', label: 'is empty' },
]

export function BandGroups({ email, job, also, style, band, apply }: Props & { band: Band }) {
  const set = (label: string, what: Partial<Omit<Band, 'id' | 'cells'>>, merge?: string) =>
    apply(
      label,
      // A name is one band's own.
      also.length && !('name' in what)
        ? { name: 'setBands', what: { ids: [band.id, ...also], set: what } }
        : { name: 'setBand', what: { id: band.id, set: what } },
      merge && `${merge}-${band.id}`,
    )
  const picture = band.picture
  const put = (patch: Partial<GroundPicture>) =>
    picture && set('set the picture behind', { picture: { ...picture, ...patch } })
  const when = band.when
  return (
    <div className="grid h-full min-w-[1270px] grid-cols-[238px_238px_1fr_158px_158px_1.25fr]">
      <BandGroup band={band} set={set} apply={apply}>
        {band.kept && <TiedRow key={band.id} email={email} job={job} band={band} apply={apply} />}
      </BandGroup>
      <GroundGroup band={band} style={style} set={set} />
      <BehindGroup picture={picture} set={set} put={put} band={band} email={email} style={style} />
      <Group title="Space on wide">
        <SidesField
          label="Space on wide"
          value={band.padding}
          onChange={(padding) => set('set the space', { padding }, 'pad')}
          center={`${Math.round(innerWidth(band, email.width))} px`}
        />
      </Group>
      <Group title="Space on narrow">
        <SidesField
          label="Space on narrow"
          value={band.narrowPadding ?? band.padding}
          onChange={(narrowPadding) => set('set the space on narrow', { narrowPadding }, 'npad')}
          center={band.narrowPadding ? 'own' : 'as wide'}
        />
        {band.narrowPadding && (
          <Button onClick={() => set('narrow as wide', { narrowPadding: undefined })}>Space as wide</Button>
        )}
      </Group>
      <SeenGroup band={band} set={set} when={when} email={email}>
        <TwinRow email={email} job={job} band={band} apply={apply} />
      </SeenGroup>
    </div>
  )
}

/** How it shows on narrow, who sees it, and its language. */
function SeenGroup({
  band,
  set,
  when,
  email,
  children,
}: {
  band: Band
  set: SetBand
  when: Condition | undefined
  email: Email
  children: ReactNode
}) {
  return (
    <Group title="Narrow, recipients, language" className="overflow-y-auto">
      {children}
      {band.cells.length > 1 && (
        <Row label="Narrow">
          <Choice
            label="Cells on narrow"
            value={band.narrow}
            options={[
              { value: 'stack', label: 'stack' },
              { value: 'keep', label: 'keep' },
              { value: 'reverse', label: 'swap' },
            ]}
            onChange={(narrow) => set('set the stacking', { narrow })}
          />
        </Row>
      )}
      <Tick
        checked={!!when}
        onChange={(on) =>
          set('set who sees it', { when: on ? { field: 'city', test: 'is', value: '' } : undefined })
        }
      >
        only for some recipients
      </Tick>
      <When when={when} set={set} />
      <Row label="Runs">
        <Choice
          label="Direction"
          value={band.dir ?? 'as'}
          options={[
            { value: 'as', label: 'same', name: 'as the email' },
            { value: 'ltr', label: '→', name: 'left to right' },
            { value: 'rtl', label: '←', name: 'right to left' },
          ]}
          onChange={(v) => set('set the direction', { dir: v === 'as' ? undefined : v })}
        />
      </Row>
      <LanguageRow
        value={band.lang ?? ''}
        placeholder={email.lang}
        onChange={(v) => set('set the language', { lang: v || undefined }, 'lang')}
      />
    </Group>
  )
}

/** The condition on the recipient's fields. */
function When({ when, set }: { when: Condition | undefined; set: SetBand }) {
  return (
    <>
      {when && (
        <>
          <TextRow
            label="Field"
            value={when.field}
            invalid={!/^[a-z][a-z0-9_]{0,59}$/.test(when.field)}
            onChange={(field) =>
              /^[a-z][a-z0-9_]{0,59}$/.test(field) &&
              set('set who sees it', { when: { ...when, field } }, 'when')
            }
          />
          <Row label="">
            <Dropdown
              label="Comparison"
              value={when.test}
              options={tests}
              onChange={(test) => set('set who sees it', { when: { ...when, test } })}
            />
          </Row>
          {(when.test === 'is' || when.test === 'is not') && (
            <TextRow
              plain
              label="Value"
              value={when.value}
              onChange={(value) => set('set who sees it', { when: { ...when, value } }, 'whenv')}
            />
          )}
        </>
      )}
    </>
  )
}

/** A picture behind it, and the card it may be. */
function BehindGroup({
  picture,
  set,
  put,
  band,
  email,
  style,
}: {
  picture: GroundPicture | undefined
  set: SetBand
  put: (patch: Partial<GroundPicture>) => void | undefined
  band: Band
  email: Email
  style: Style
}) {
  return (
    <Group title="Picture behind, card" className="overflow-y-auto">
      <PictureChooser
        label={picture ? 'Replace it' : 'Choose a file'}
        onChosen={(p) =>
          set('put a picture behind', {
            picture: { across: 'email', fit: 'cover', x: 'center', y: 'center', ...picture, picture: p },
          })
        }
        onClear={picture && (() => set('take the picture off', { picture: undefined }))}
      />
      <Held picture={picture} put={put} />
      <Tick
        checked={!!band.card}
        onChange={(on) =>
          set(on ? 'make it a card' : 'no card', {
            card: on ? { radius: 8, around: sides(12, 12) } : undefined,
          })
        }
      >
        a card, {Math.round(blockWidth(band, email.width))} px wide
      </Tick>
      <CardLook band={band} set={set} style={style} />
    </Group>
  )
}

/** How the picture is laid behind. */
function Held({
  picture,
  put,
}: {
  picture: GroundPicture | undefined
  put: (patch: Partial<GroundPicture>) => void | undefined
}) {
  return (
    <>
      {picture && (
        <>
          <Row label="Behind">
            <Choice
              label="Behind"
              value={picture.across}
              options={[
                { value: 'email', label: 'email' },
                { value: 'window', label: 'whole row' },
              ]}
              onChange={(across) => put({ across })}
            />
          </Row>
          <Row label="Fit">
            <Choice
              label="Fit"
              value={picture.fit}
              options={[
                { value: 'cover', label: 'cover' },
                { value: 'repeat', label: 'repeat' },
                { value: 'once', label: 'once' },
              ]}
              onChange={(fit) => put({ fit })}
            />
          </Row>
          <Row label="Held">
            <Choice label="Held across" value={picture.x} options={aligns} onChange={(x) => put({ x })} />
          </Row>
          <Row label="">
            <Choice
              label="Held down"
              value={picture.y}
              options={[
                { value: 'top', label: 'top' },
                { value: 'center', label: 'middle' },
                { value: 'bottom', label: 'bottom' },
              ]}
              onChange={(y) => put({ y })}
            />
          </Row>
        </>
      )}
    </>
  )
}

/** Corners, edge and surroundings of the card. */
function CardLook({ band, set, style }: { band: Band; set: SetBand; style: Style }) {
  return (
    <>
      {band.card && (
        <>
          <Row label="Radius">
            <NumberField
              label="Radius, px"
              value={band.card.radius}
              max={60}
              onChange={(radius) => set('set the radius', { card: { ...band.card!, radius } }, 'radius')}
            />
          </Row>
          <EdgeRow
            label="Edge"
            value={band.card.edge}
            swatches={style.colors}
            onChange={(edge) => set('set the edge', { card: { ...band.card!, edge } }, 'edge')}
          />
          <SidesField
            label="Around the card"
            value={band.card.around}
            center="around"
            onChange={(around) => set('set the space around', { card: { ...band.card!, around } }, 'around')}
          />
        </>
      )}
    </>
  )
}

/** Its gradient, and how far that runs. */
function BandGradient({ band, style, set }: { band: Band; style: Style; set: SetBand }) {
  return (
    <>
      <GradientRow
        label="Ground of the band"
        value={band.gradient}
        ground={band.background ?? band.bleed ?? style.ground}
        swatches={style.colors}
        onChange={(v) =>
          set(
            v ? 'set the gradient' : 'a plain ground again',
            { gradient: v && { across: 'email', ...band.gradient, ...v } },
            v && 'gradient',
          )
        }
      />
      {band.gradient && (
        <Row label="">
          <Choice
            label="How far the gradient runs"
            value={band.gradient.across}
            options={[
              { value: 'email', label: 'email' },
              { value: 'window', label: 'whole row' },
            ]}
            onChange={(across) => set('set the gradient', { gradient: { ...band.gradient!, across } })}
          />
        </Row>
      )}
    </>
  )
}

/** The colours behind it, by day and at night. */
function GroundGroup({ band, style, set }: { band: Band; style: Style; set: SetBand }) {
  return (
    <Group title="Ground" className="overflow-y-auto">
      <Row label="Band">
        <ColorField
          label="Ground of the band"
          value={band.background ?? band.bleed ?? style.ground}
          swatches={style.colors}
          own={band.background !== undefined}
          note="email"
          onClear={() => set('inherit the ground', { background: undefined })}
          onChange={(v) => set('set the ground', { background: v }, 'bg')}
        />
      </Row>
      <Row label="Whole row">
        <ColorField
          label="Ground over the whole window"
          value={band.bleed ?? style.ground}
          swatches={style.colors}
          own={band.bleed !== undefined}
          note="email"
          onClear={() => set('inherit the whole row', { bleed: undefined })}
          onChange={(v) => set('set the whole row', { bleed: v }, 'bleed')}
        />
      </Row>
      <BandGradient band={band} style={style} set={set} />
      <MaybeColor
        label="Night"
        name="Ground of the band at night"
        value={band.nightBackground}
        fallback={band.background ?? style.ground}
        swatches={style.colors}
        onChange={(nightBackground) => set('set the ground at night', { nightBackground }, 'nbg')}
      />
      <MaybeColor
        label="Row, night"
        name="Ground over the whole window at night"
        value={band.nightBleed}
        fallback={band.bleed ?? style.ground}
        swatches={style.colors}
        onChange={(nightBleed) => set('set the whole row at night', { nightBleed }, 'nbleed')}
      />
    </Group>
  )
}

/** What the band is and how many cells it has. */
function BandGroup({
  band,
  set,
  apply,
  children,
}: {
  band: Band
  set: SetBand
  apply: Apply
  children: ReactNode
}) {
  return (
    <Group title="Band" className="overflow-y-auto">
      {children}
      <TextRow
        plain
        label="Name"
        value={band.name}
        onChange={(v) => set('rename the band', { name: v.slice(0, 80) }, 'name')}
      />
      <Row label="Role">
        <Dropdown
          label="Role"
          value={band.role}
          options={[
            { value: 'header', label: 'Head' },
            { value: 'main', label: 'Main' },
            { value: 'footer', label: 'Foot' },
            { value: 'notice', label: 'Notice' },
          ]}
          onChange={(role) => set('set the role', { role })}
        />
      </Row>
      <Row label="Shown on">
        <Choice
          label="Shown on"
          value={band.show}
          options={shows}
          onChange={(show) => set('set where it shows', { show })}
        />
      </Row>
      <Row label="Cells">
        <Choice
          label="Cells"
          value={String(band.cells.length)}
          options={['1', '2', '3', '4', '5'].map((v) => ({ value: v, label: v }))}
          onChange={(v) =>
            apply('set the cells', { name: 'setCells', what: { id: band.id, count: Number(v) } })
          }
        />
      </Row>
      {band.cells.length > 1 && (
        <Row label="Gap">
          <NumberField
            label="Gap between cells, px"
            value={band.gap}
            max={200}
            onChange={(gap) => set('set the gap', { gap }, 'gap')}
          />
        </Row>
      )}
    </Group>
  )
}
