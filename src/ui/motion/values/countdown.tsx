'use client'
import type { Countdown, CountdownColors } from '@/core/motion/countdown/schema'
import { countdownFaces, countdownUnits } from '@/core/motion/countdown/schema'
import { Tick } from '../../compose/groups/parts'
import { Button, Choice, ColorField, Group, Row, TextRow } from '../../parts/controls'
import type { Style } from '@/core/email/cascade'
import { GroundRow, Measure, type ValuesProps } from './parts'
import { ZoneField } from './zone'

export function CountdownValues({ made, style, put }: ValuesProps<'countdown'>) {
  return (
    <>
      <EndGroup made={made} put={put} />
      <UnitsGroup made={made} put={put} />
      <ColorsGroup
        title="By day"
        colors={made.colors}
        style={style}
        onChange={(colors, key) => put('set the colours', { colors }, key)}
      >
        <Measure
          label="Corners"
          unit="px"
          value={made.radius}
          max={60}
          onChange={(radius) => put('set the corners', { radius }, 'radius')}
        />
      </ColorsGroup>
      {made.night ? (
        <ColorsGroup
          title="At night"
          colors={made.night}
          style={style}
          onChange={(night, key) => put('set the night colours', { night }, `night-${key}`)}
        >
          <Button look="plain" onClick={() => put('same colours at night', { night: undefined })}>
            Same as by day
          </Button>
        </ColorsGroup>
      ) : (
        <Group title="At night">
          <Button onClick={() => put('add night colours', { night: made.colors })}>Colours of its own</Button>
        </Group>
      )}
      <Group title="Where it is answered">
        <TextRow
          label="Server"
          value={made.server}
          placeholder="https:// of its server"
          onChange={(server) => put('set the server', { server: server.trim() }, 'server')}
        />
        <p className="text-[11.5px] leading-snug text-soft">
          {made.server
            ? 'Emails that leave ask there each time they are opened.'
            : 'Without one, emails that leave carry a still with the date. Lenses show it live.'}
        </p>
        <a className="text-xs underline" href="/api/countdown/server">
          The server, to host it yourself
        </a>
      </Group>
    </>
  )
}

type Put = ValuesProps<'countdown'>['put']

function EndGroup({ made, put }: { made: Countdown; put: Put }) {
  const { until } = made
  return (
    <Group title="Ends">
      <Choice
        label="How it ends"
        value={until.kind}
        options={[
          { value: 'moment', label: 'at a moment' },
          { value: 'span', label: 'after a span' },
        ]}
        onChange={(kind) =>
          put('choose how it ends', {
            until:
              kind === 'span'
                ? { kind, seconds: 48 * 3600, field: 'recipient_id' }
                : { kind, at: '2027-01-01T00:00', zone: Intl.DateTimeFormat().resolvedOptions().timeZone },
          })
        }
      />
      {until.kind === 'moment' ? (
        <MomentRows until={until} put={put} />
      ) : (
        <SpanRows until={until} put={put} />
      )}
      <TextRow
        plain
        label="At the end"
        value={made.over}
        onChange={(over) => put('write what is shown at the end', { over }, 'over')}
      />
    </Group>
  )
}

const WHEN = 'w-full border border-grout bg-sheet px-1.5 py-[3px] font-mono text-xs text-ink'

type Until<K> = Extract<Countdown['until'], { kind: K }>

function MomentRows({ until, put }: { until: Until<'moment'>; put: Put }) {
  return (
    <>
      <Row label="Day">
        <input
          type="date"
          aria-label="Day it ends"
          className={WHEN}
          value={until.at.slice(0, 10)}
          onChange={(e) =>
            e.target.value &&
            put('set the day', { until: { ...until, at: e.target.value + until.at.slice(10) } }, 'day')
          }
        />
      </Row>
      <Row label="Time">
        <input
          type="time"
          aria-label="Time it ends"
          className={WHEN}
          value={until.at.slice(11, 16)}
          onChange={(e) =>
            e.target.value &&
            put(
              'set the time',
              { until: { ...until, at: `${until.at.slice(0, 11)}${e.target.value}` } },
              'time',
            )
          }
        />
      </Row>
      <Row label="Zone">
        <ZoneField
          value={until.zone}
          at={until.at}
          onChange={(zone) => put('set the time zone', { until: { ...until, zone } })}
        />
      </Row>
    </>
  )
}

function SpanRows({ until, put }: { until: Until<'span'>; put: Put }) {
  return (
    <>
      <Measure
        label="Hours"
        unit="h"
        value={until.seconds / 3600}
        min={1}
        max={2400}
        onChange={(h) => put('set the span', { until: { ...until, seconds: h * 3600 } }, 'span')}
      />
      <TextRow
        label="Field"
        value={until.field}
        onChange={(field) => field && put('set the field', { until: { ...until, field } }, 'field')}
      />
      <p className="text-[11.5px] leading-snug text-soft">
        From each recipient&apos;s first opening; the field tells them apart.
      </p>
    </>
  )
}

function UnitsGroup({ made, put }: { made: Countdown; put: Put }) {
  return (
    <Group title="Units">
      {countdownUnits.map((u) => {
        const on = made.units.includes(u)
        return (
          <div key={u} className="flex items-center gap-1">
            <span className="w-20">
              <Tick
                checked={on}
                onChange={(want) =>
                  (want || made.units.length > 1) &&
                  put('choose the units', {
                    units: countdownUnits.filter((x) => (x === u ? want : made.units.includes(x))),
                  })
                }
              >
                {u}
              </Tick>
            </span>
            <input
              aria-label={`Label of the ${u}`}
              className="w-full min-w-0 border border-grout bg-sheet px-1.5 py-[3px] text-xs text-ink"
              value={made.labels[u]}
              maxLength={24}
              onChange={(e) =>
                put('write the labels', { labels: { ...made.labels, [u]: e.target.value } }, `label-${u}`)
              }
            />
          </div>
        )
      })}
      <Row label="Face">
        <Choice
          label="Face"
          value={made.face}
          options={countdownFaces.map((f) => ({ value: f, label: f }))}
          onChange={(face) => put('choose the face', { face })}
        />
      </Row>
      <Tick checked={!!made.rtl} onChange={(rtl) => put('turn the units', { rtl: rtl || undefined })}>
        from right to left
      </Tick>
    </Group>
  )
}

function ColorsGroup({
  title,
  colors,
  style,
  onChange,
  children,
}: {
  title: string
  colors: CountdownColors
  style: Style
  onChange: (colors: CountdownColors, key: string) => void
  children?: React.ReactNode
}) {
  const row = (label: string, key: 'digits' | 'labels') => (
    <Row label={label}>
      <ColorField
        label={`${label}, ${title}`}
        value={colors[key]}
        swatches={style.colors}
        onChange={(c) => onChange({ ...colors, [key]: c }, key)}
      />
    </Row>
  )
  return (
    <Group title={title}>
      {row('Digits', 'digits')}
      {row('Labels', 'labels')}
      <GroundRow
        value={colors.ground}
        style={style}
        onChange={(ground) => onChange({ ...colors, ground }, 'ground')}
      />
      <Row label="Boxes">
        {colors.box ? (
          <ColorField
            label={`Boxes, ${title}`}
            value={colors.box}
            swatches={style.colors}
            own
            onClear={() => onChange({ ...colors, box: null }, 'box')}
            onChange={(box) => onChange({ ...colors, box }, 'box')}
          />
        ) : (
          <Button onClick={() => onChange({ ...colors, box: '#20272b' }, 'box')}>In boxes</Button>
        )}
      </Row>
      {children}
    </Group>
  )
}
