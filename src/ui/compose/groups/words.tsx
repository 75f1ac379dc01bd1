'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import { textLayers, type RoleStyle, type Style } from '@/core/email/cascade'
import { ownSpace, unspacedText } from '@/core/email/richtext'
import { blockStyle, gapAfter, LIST_SPACE, styleName } from '@/core/tiles/words/html'
import { Button, Choice, Group, NumberField, Row } from '../../parts/controls'
import { aligns, Letters, MaybeColor, Dropdown, setLetters, type TileProps } from './parts'
import { LanguageRow } from './language'

const FormatBar = dynamic(() => import('../format-bar').then((m) => m.FormatBar), { ssr: false })

export function WordsGroups({
  tile,
  band,
  email,
  house,
  style,
  ground,
  editor,
  set,
  onEdit,
}: TileProps<'words'>) {
  const look = style.roles[band.role]
  const [headings, setHeadings] = useState(false)
  const hasHeadings = tile.text.content.some((b) => b.type === 'heading')
  const of = headings && hasHeadings
  const level = tile.text.content.find((b) => b.type === 'heading')
  const name = styleName(tile, of && level?.type === 'heading' ? level.attrs.level : 0, look)
  const shown = blockStyle(tile, of && level?.type === 'heading' ? level.attrs.level : 0, look)
  return (
    <>
      <Group title="Words" className="overflow-y-auto">
        {editor ? (
          <FormatBar editor={editor} swatches={style.colors} />
        ) : (
          <>
            <Button onClick={onEdit}>Edit the words in place</Button>
            <p className="text-[11.5px] text-soft">Or press Enter, or double-click them in a lens.</p>
          </>
        )}
        <Row label="Align">
          <Choice
            label="Alignment"
            value={tile.align}
            options={aligns}
            onChange={(align) => set('align the words', { align })}
          />
        </Row>
        <BetweenRow tile={tile} line={shown.line} set={set} />
        {hasHeadings && (
          <Row label="Letters of">
            <Choice
              label="Letters of"
              value={of ? 'headings' : 'rest'}
              options={[
                { value: 'rest', label: 'paragraphs' },
                { value: 'headings', label: 'headings' },
              ]}
              onChange={(v) => setHeadings(v === 'headings')}
            />
          </Row>
        )}
      </Group>
      <Letters
        shown={shown}
        own={of ? tile.headings : tile.style}
        style={style}
        ground={ground}
        layers={textLayers(house, email.styles, band.role, name)}
        onChange={of ? (label, next, key) => set(label, { headings: next }, `heads-${key}`) : setLetters(set)}
      />
      <LinksGroup tile={tile} look={look} style={style} set={set} />
    </>
  )
}

/** Space between paragraphs, and between the items of lists. @param line height of their lines, px */
function BetweenRow({ tile, line, set }: Pick<TileProps<'words'>, 'tile' | 'set'> & { line: number }) {
  const { content } = tile.text
  const own = content.some((b) => ownSpace(b) !== undefined)
  const hasList = content.some((b) => b.type === 'bulletList' || b.type === 'orderedList')
  return (
    <>
      {content.length > 1 && (
        <Row label="Between">
          <div className="flex gap-1">
            <NumberField
              label="Space between paragraphs, px"
              value={tile.space ?? gapAfter({ line }, 0)}
              max={200}
              own={tile.space !== undefined}
              onChange={(space) => set('set the space between paragraphs', { space }, 'space')}
            />
            {own && (
              <Button
                title="Some have a space of their own, as the design does"
                onClick={() => set('space all paragraphs alike', { text: unspacedText(tile.text) })}
              >
                All alike
              </Button>
            )}
          </div>
        </Row>
      )}
      {hasList && (
        <Row label="Items">
          <NumberField
            label="Space under an item of a list, px"
            value={tile.itemSpace ?? LIST_SPACE}
            max={100}
            own={tile.itemSpace !== undefined}
            onChange={(itemSpace) => set('set the space of list items', { itemSpace }, 'item-space')}
          />
        </Row>
      )}
    </>
  )
}

/** Links here, the text style beneath, and the language. */
function LinksGroup({
  tile,
  look,
  style,
  set,
}: {
  tile: TileProps<'words'>['tile']
  look: RoleStyle
  style: Style
  set: TileProps<'words'>['set']
}) {
  return (
    <Group title="Links and language">
      <MaybeColor
        label="Links"
        name="Colour of links here"
        value={tile.link?.color}
        fallback={look.link.color}
        swatches={style.colors}
        onChange={(color) =>
          set('set the links', { link: color ? { ...tile.link, color } : undefined }, 'links')
        }
      />
      <Row label="Base">
        <Dropdown
          label="Text style"
          value={tile.base ?? 'role'}
          options={[
            { value: 'role', label: 'as the role has it' },
            { value: 'body', label: 'body' },
            { value: 'small', label: 'small' },
          ]}
          onChange={(v) => set('set the text style', { base: v === 'role' ? undefined : v })}
        />
      </Row>
      <LanguageRow
        value={tile.lang ?? ''}
        placeholder="as the email"
        onChange={(v) => set('set the language', { lang: v || undefined }, 'lang')}
      />
      <Row label="Runs">
        <Dropdown
          label="Direction"
          value={tile.dir ?? 'as'}
          options={[
            { value: 'as', label: 'as the email' },
            { value: 'ltr', label: 'left to right' },
            { value: 'rtl', label: 'right to left' },
          ]}
          onChange={(v) => set('set the direction', { dir: v === 'as' ? undefined : v })}
        />
      </Row>
    </Group>
  )
}
