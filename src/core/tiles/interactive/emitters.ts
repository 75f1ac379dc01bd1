/**
 * The HTML of interactive tiles. On the server it is at hand; a page brings it with the first email that holds one (`emitters-later.ts`). Imported as `#interactive`
 * (package.json, `imports`).
 */
export { panelsHtml } from '../panels/html'
export { carouselHtml } from '../carousel/html'
export { spotsHtml } from '../spots/html'
export { swapHtml } from '../swap/html'
export { ratingHtml } from '../rating/html'
export { formHtml } from '../form/html'
export { quizHtml } from '../quiz/html'
export { swatchesHtml } from '../swatches/html'
export { liveHtml } from '../live/html'
