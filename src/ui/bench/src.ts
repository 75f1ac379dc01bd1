/** Where the app answers with a picture. */
export const src = (p: { id: string }): string => `/api/pictures/${p.id}`
