import type { Action } from './action'

/**
 * What the trade calls what an action does, beside the words of its label: by the action's id. Words of people who come from other programs lead to the
 * same place.
 */
const words: Readonly<Record<string, string>> = {
  'stage-cut': 'slice slicing slices design mockup upload psd crop import',
  'stage-compose': 'edit editor build layout preview desktop mobile responsive',
  'stage-motion': 'gif animated animation apng video film countdown timer movie frames cinemagraph',
  'stage-night': 'dark mode darkmode dark theme invert inverted colors contrast',
  'stage-interact': 'amp interactive kinetic css-only hover checkbox poll form survey amphtml',
  'stage-proof':
    'test testing check checks spam preview qa validate validation accessibility links spelling lint',
  'stage-handover': 'export download zip html eml send push upload esp publish deliver delivery',
  deliver: 'export download zip html send push publish esp',
  'add-words': 'text paragraph copy heading headline title body richtext list bullet',
  'add-picture': 'image img photo hero banner logo graphic gif jpg png video animation countdown',
  'add-button': 'cta call to action link bulletproof vml press',
  'add-divider': 'line rule hr separator',
  'add-gap': 'spacer space whitespace padding margin height',
  'add-menu': 'navigation nav navbar links header',
  'add-social': 'social icons follow share',
  'add-marks': 'icons logos badges social row',
  'add-table': 'data grid price prices schedule timetable rows columns',
  'add-review': 'testimonial quote rating stars customer',
  'add-panels': 'accordion tabs faq collapse expand toggle drawer interactive hamburger',
  'add-carousel': 'slider slideshow gallery carousel images interactive rotate',
  'add-spots': 'hotspot hotspots image map interactive points',
  'add-swap': 'hover rollover flip reveal scratch before after interactive image',
  'add-rating': 'survey nps stars csat feedback score interactive amp',
  'add-form': 'poll survey questionnaire form input subscribe interactive amp signup',
  'add-quiz': 'survey trivia question game interactive gamification',
  'add-swatches': 'colour color picker variants product options interactive',
  'add-live': 'amp list dynamic realtime real-time feed content products',
  'add-footer': 'unsubscribe legal address can-spam opt-out imprint',
  'add-code': 'html custom snippet raw css source embed',
  'add-conditional': 'outlook mso conditional comment vml word',
  'add-row': 'columns column grid nested side by side two-column',
  'add-band': 'section block row module structure stripe',
  palette: 'insert new block tile add',
  find: 'search replace text',
  links: 'urls hrefs anchors utm',
  tracking: 'utm analytics campaign google parameters tags',
  pictures: 'images assets alt text weight optimise optimize compress',
  approval: 'client review comment share feedback sign-off signoff',
  undo: 'back revert',
  redo: 'forward again',
  save: 'store keep',
  fit: 'compress optimise optimize reduce size weight smaller gif budget lossy',
  honoured: 'prefers-color-scheme media query dark mode',
  fix: 'repair correct autofix resolve',
  wall: 'dashboard home projects jobs overview',
  new: 'create project email template campaign start',
  arch: 'archive archived old',
  inbox: 'mail test send preview',
  platform: 'esp sending service',
  answers: 'form responses results poll survey',
  sheet: 'keyboard hotkeys keys help',
  lock: 'logout log out sign out password',
}

/** Words of the trade for an action; those of a band to begin from go by its group. */
const byGroup: Readonly<Record<string, string>> = {
  Heads: 'header logo navigation preheader top',
  Openings: 'hero banner headline opener intro',
  Stories: 'article news blog content story',
  Goods: 'product products shop ecommerce grid price sale',
  Times: 'event schedule countdown timer date calendar agenda',
  Choices: 'offer comparison pricing plans coupon',
  Voices: 'testimonial review quote social proof',
  Answers: 'survey poll quiz faq form rating interactive',
  Cards: 'ticket coupon voucher receipt order confirmation transactional',
  Notices: 'alert announcement message notice banner',
  Feet: 'footer unsubscribe legal social',
}

/** All that an action is found by. */
export const findableBy = ({ id, label, group }: Pick<Action, 'id' | 'label' | 'group'>): string =>
  [label, id, words[id] ?? '', byGroup[group] ?? ''].join(' ').toLowerCase()

/** How well an action answers a search: by its own words before those of the trade; 0 is not at all. Every word of the search has to be begun by one. */
export function answering(action: Pick<Action, 'id' | 'label' | 'group'>, search: string): number {
  const asked = search.toLowerCase().split(/\s+/).filter(Boolean)
  const label = action.label.toLowerCase()
  if (asked.every((w) => label.includes(w))) return 1
  const all = findableBy(action)
  return asked.every((w) => all.includes(w)) ? 0.5 : 0
}
