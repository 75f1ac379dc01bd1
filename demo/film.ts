/**
 * The seed library's how-to film, drawn by code and encoded by chromium (run when it changes): a row is drawn, seeds are
 * laid, covered, watered; they come up. 640 x 360, 15 pictures a second, VP9 in WebM. Usage: tsx demo/film.ts
 */
import { writeFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { build } from 'esbuild'
import { filmGif, howTo } from './moving'

const muxer = await build({
  stdin: {
    contents: "export { Output, WebMOutputFormat, BufferTarget, CanvasSource } from 'mediabunny'",
    resolveDir: process.cwd(),
  },
  bundle: true,
  format: 'iife',
  globalName: 'film',
  write: false,
})

/** What runs in the page: draws each picture and encodes it. */
const record = `(async () => {
  const { Output, WebMOutputFormat, BufferTarget, CanvasSource } = film
  const canvas = new OffscreenCanvas(640, 360)
  const c = canvas.getContext('2d')
  const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() })
  const source = new CanvasSource(canvas, { codec: 'vp9', bitrate: 500000 })
  output.addVideoTrack(source, { frameRate: 15 })
  await output.start()
  const part = (t, from, to) => Math.max(0, Math.min(1, (t - from) / (to - from)))
  const draw = (t) => {
    const sky = c.createLinearGradient(0, 0, 0, 200)
    sky.addColorStop(0, '#f6ead0'); sky.addColorStop(1, '#e6c66b')
    c.fillStyle = sky; c.fillRect(0, 0, 640, 200)
    c.fillStyle = '#3f5a36'
    c.beginPath(); c.moveTo(0, 200)
    for (let x = 0; x <= 640; x += 8) c.lineTo(x, 176 + 12 * Math.sin(x / 71) + 6 * Math.sin(x / 23))
    c.lineTo(640, 210); c.lineTo(0, 210); c.fill()
    c.fillStyle = '#5a4030'; c.fillRect(0, 204, 640, 156)
    c.fillStyle = '#6d5040'
    for (let i = 0; i < 130; i++) c.fillRect((i * 97) % 640, 212 + ((i * 53) % 140), 5, 3)
    const furrow = part(t, 0, 1.6)
    c.strokeStyle = '#3c2a1f'; c.lineWidth = 20; c.lineCap = 'round'
    if (furrow > 0) { c.beginPath(); c.moveTo(60, 262); c.lineTo(60 + 520 * furrow, 262); c.stroke() }
    if (furrow < 1) { c.save(); c.translate(60 + 520 * furrow, 258); c.rotate(-0.5); c.fillStyle = '#8c6b43'; c.fillRect(-5, -150, 10, 150); c.fillStyle = '#4b5358'; c.fillRect(-16, -8, 30, 16); c.restore() }
    for (let i = 0; i < 9; i++) {
      const fall = part(t, 1.7 + i * 0.16, 2.1 + i * 0.16)
      if (fall <= 0) continue
      c.fillStyle = '#e6c66b'
      c.beginPath(); c.ellipse(90 + i * 58, 120 + 142 * fall * fall, 7, 5, 0.4, 0, 7); c.fill()
    }
    const cover = part(t, 3.6, 4.4)
    c.strokeStyle = '#5a4030'; c.lineWidth = 22
    if (cover > 0) { c.beginPath(); c.moveTo(60, 262); c.lineTo(60 + 520 * cover, 262); c.stroke() }
    const water = part(t, 4.4, 5.6)
    if (water > 0 && water < 1) {
      c.fillStyle = '#6f9bb8'
      for (let i = 0; i < 40; i++) { const y = ((i * 37 + t * 420) % 150); c.fillRect(70 + ((i * 131) % 500), 110 + y, 2, 9) }
    }
    for (let i = 0; i < 9; i++) {
      const grow = part(t, 5.6 + (i % 3) * 0.2, 7.4 + (i % 3) * 0.2)
      if (grow <= 0) continue
      const x = 90 + i * 58, h = 46 * grow
      c.strokeStyle = '#6d9a4d'; c.lineWidth = 4
      c.beginPath(); c.moveTo(x, 256); c.lineTo(x, 256 - h); c.stroke()
      c.fillStyle = '#7fae58'
      for (const side of [-1, 1]) { c.beginPath(); c.ellipse(x + side * 10 * grow, 256 - h, 12 * grow, 5 * grow, side * -0.5, 0, 7); c.fill() }
    }
  }
  window.pictureAt = async (ms) => {
    draw(Math.floor((ms / 1000) * 15) / 15)
    const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer())
    return btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''))
  }
  for (let i = 0; i < 120; i++) { draw(i / 15); await source.add(i / 15, 1 / 15) }
  await output.finalize()
  let text = ''
  for (const b of new Uint8Array(output.target.buffer)) text += String.fromCharCode(b)
  return btoa(text)
})()`

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const page = await browser.newPage()
// Encoders are for secure contexts: a page of this machine is one, an empty one is not.
await page.route('http://localhost/', (r) => r.fulfill({ body: '<!doctype html>', contentType: 'text/html' }))
await page.goto('http://localhost/')
await page.addScriptTag({ content: muxer.outputFiles[0]!.text })
const film = Buffer.from(await page.evaluate<string>(record), 'base64')
writeFileSync('demo/designs/fennmoor-how-to.webm', film)
console.log(`fennmoor-how-to.webm: ${film.length} bytes`)
// The moving picture that the stage makes of it: the same values, the same core.
const motion = howTo({
  id: '0'.repeat(64),
  type: 'video/webm',
  name: 'fennmoor-how-to.webm',
  bytes: film.length,
})
const gif = await filmGif(motion, 540, async (ms) =>
  Buffer.from(await page.evaluate<string>(`window.pictureAt(${ms})`), 'base64'),
)
writeFileSync('demo/designs/fennmoor-how-to.gif', gif)
console.log(`fennmoor-how-to.gif: ${gif.length} bytes`)
await browser.close()
