// eslint-disable-next-line no-control-regex -- they are what is taken out
const forbidden = /[\0-\x08\x0b-\x1f\x7f-\x9f\ufdd0-\ufdef\ufffe\uffff]/

/** A text without the characters that HTML may not hold. */
export const clean = (value: string): string =>
  forbidden.test(value) ? value.replace(/\r\n?/g, '\n').replace(new RegExp(forbidden, 'g'), '') : value
