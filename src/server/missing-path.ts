/** The path of a file that was not there; null of any other error. */
export const missingPath = (error: unknown): string | null => {
  const { code, path } = (error ?? {}) as { code?: string; path?: string }
  return code === 'ENOENT' && path ? path : null
}
