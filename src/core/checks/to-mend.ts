import type { Finding } from './check'

/** What has to be mended before an email leaves: what is not muted with a reason. */
export const toMend = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => f.severity === 'mend' && !f.muted)
