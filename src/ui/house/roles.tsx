'use client'
import { roles, type HouseStyle, type Role, type RoleSheet } from '@/core/email/styles'
import { ColorField } from '../parts/controls'
import { Dropdown } from '../compose/groups/parts'
import type { SetHouse } from './set-house'

const names: Record<Role, string> = { header: 'Header', main: 'Main', footer: 'Footer', notice: 'Notice' }

/** What each part of an email changes: its paragraphs, the colour of its words and links, its buttons. */
export function Roles({ house, set }: { house: HouseStyle; set: SetHouse }) {
  const put = (role: Role, patch: Partial<RoleSheet>) =>
    set((h) => ({ ...h, roles: { ...h.roles, [role]: { ...h.roles?.[role], ...patch } } }))
  return (
    <table className="w-full border-collapse text-xs">
      <thead>
        <tr>
          {['Part', 'Paragraphs', 'Words', 'Links', 'Buttons'].map((h) => (
            <th key={h} scope="col" className="p-1 text-left font-semibold">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {roles.map((role) => {
          const own = house.roles?.[role] ?? {}
          const base = own.base ?? (role === 'footer' || role === 'notice' ? 'small' : 'body')
          const color = (
            said: string,
            value: string | undefined,
            fallback: string,
            to: (v: string | undefined) => Partial<RoleSheet>,
          ) => (
            <td className="p-1">
              <ColorField
                label={`${said} in ${names[role]}`}
                value={value ?? fallback}
                swatches={house.colors}
                own={value !== undefined}
                onClear={() => put(role, to(undefined))}
                onChange={(v) => put(role, to(v))}
              />
            </td>
          )
          return (
            <tr key={role} className="border-t border-grout">
              <th scope="row" className="p-1 text-left font-normal">
                {names[role]}
              </th>
              <td className="w-24 p-1">
                <Dropdown
                  label={`Paragraphs in ${names[role]}`}
                  value={base}
                  options={[
                    { value: 'body', label: 'Body' },
                    { value: 'small', label: 'Small' },
                  ]}
                  onChange={(v) => put(role, { base: v })}
                />
              </td>
              {color('Words', own.text?.all?.color, house.text[base].color, (v) => ({
                text: { ...own.text, all: { ...own.text?.all, color: v } },
              }))}
              {color('Links', own.link?.color, house.link.color, (v) => ({
                link: { ...own.link, color: v },
              }))}
              {color('Buttons', own.button?.background, house.button.background, (v) => ({
                button: { ...own.button, background: v },
              }))}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
