/** Rules that only readers with an interactive part keep. */
const LIVE = /:checked|:hover|:focus/

/**
 * The head of an email as a reader sees it that keeps neither `:checked` nor `:hover`: what answers stays closed, and the static
 * version stands. Rules stand a line each.
 */
export const stillOf = (html: string): string =>
  html
    .split('\n')
    .filter((line) => !LIVE.test(line))
    .join('\n')
