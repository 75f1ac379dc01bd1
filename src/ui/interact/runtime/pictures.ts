import type { Component } from './runtime'

/** `amp-img` and `amp-anim`: a picture in the room that its size and layout give it (AMP, "AMP HTML layout system"). */
export const picture: Component = (el) => {
  const attribute = (name: string) => el.getAttribute(name) ?? ''
  const [width, height] = [Number(attribute('width')), Number(attribute('height'))]
  const layout = attribute('layout') || 'fixed'
  const img = el.ownerDocument.createElement('img')
  img.src = attribute('src')
  img.alt = attribute('alt')
  img.style.display = 'block'
  if (layout === 'fixed') img.style.cssText += `;width:${width}px;height:${height}px`
  else if (layout === 'fixed-height') img.style.cssText += `;width:100%;height:${height}px`
  else
    img.style.cssText += `;width:100%;height:auto;aspect-ratio:${width}/${height}${layout === 'intrinsic' ? `;max-width:${width}px` : ''}`
  el.style.display = layout === 'fixed' ? 'inline-block' : 'block'
  el.replaceChildren(img)
}

/** `amp-timeago`: a moment in words, by the language of the document. */
export const timeago: Component = (el) => {
  const moment = Date.parse(el.getAttribute('datetime') ?? '')
  if (Number.isNaN(moment)) return
  const days = (moment - Date.now()) / 86_400_000
  const lang = el.getAttribute('locale') || el.ownerDocument.documentElement.lang || 'en'
  const words = new Intl.RelativeTimeFormat(lang, { numeric: 'auto' })
  const [value, unit] =
    Math.abs(days) >= 1
      ? ([days, 'day'] as const)
      : Math.abs(days) * 24 >= 1
        ? ([days * 24, 'hour'] as const)
        : ([days * 1440, 'minute'] as const)
  el.textContent = words.format(Math.round(value), unit)
}
