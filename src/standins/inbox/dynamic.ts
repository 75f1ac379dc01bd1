import { standinsDb } from '../db'

/** Senders for whom the inbox stand-in shows the AMP part. */
export const dynamicFor = (sender: string): boolean =>
  standinsDb().prepare('SELECT 1 FROM dynamic_senders WHERE sender = ?').get(sender.toLowerCase()) !==
  undefined

export function setDynamic(sender: string, on: boolean): void {
  const sql = on
    ? 'INSERT OR IGNORE INTO dynamic_senders (sender) VALUES (?)'
    : 'DELETE FROM dynamic_senders WHERE sender = ?'
  standinsDb().prepare(sql).run(sender.toLowerCase())
}
