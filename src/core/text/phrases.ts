/** What an email says by itself, to people who have it read aloud. */
export interface Phrases {
  /** What kind of document it is. */
  email: string
  /** What stands before the words of a picture in a plain text. */
  picture: string
  /** What a table without a caption is called. */
  table: string
  stars: (count: number) => string
}

/** By primary language (RFC 5646, 2.2.1); from memory. */
const phrases: Record<string, Phrases> = {
  en: { email: 'email', picture: 'Picture', table: 'Table', stars: (n) => `${n} of 5 stars` },
  de: { email: 'E-Mail', picture: 'Bild', table: 'Tabelle', stars: (n) => `${n} von 5 Sternen` },
  fr: { email: 'e-mail', picture: 'Image', table: 'Tableau', stars: (n) => `${n} étoiles sur 5` },
  es: { email: 'correo electrónico', picture: 'Imagen', table: 'Tabla', stars: (n) => `${n} de 5 estrellas` },
  it: { email: 'e-mail', picture: 'Immagine', table: 'Tabella', stars: (n) => `${n} stelle su 5` },
  pt: { email: 'e-mail', picture: 'Imagem', table: 'Tabela', stars: (n) => `${n} de 5 estrelas` },
  nl: { email: 'e-mail', picture: 'Afbeelding', table: 'Tabel', stars: (n) => `${n} van 5 sterren` },
  sv: { email: 'e-post', picture: 'Bild', table: 'Tabell', stars: (n) => `${n} av 5 stjärnor` },
  da: { email: 'e-mail', picture: 'Billede', table: 'Tabel', stars: (n) => `${n} ud af 5 stjerner` },
  pl: { email: 'e-mail', picture: 'Obraz', table: 'Tabela', stars: (n) => `${n} z 5 gwiazdek` },
  he: { email: 'דוא״ל', picture: 'תמונה', table: 'טבלה', stars: (n) => `${n} מתוך 5 כוכבים` },
  ar: { email: 'بريد إلكتروني', picture: 'صورة', table: 'جدول', stars: (n) => `${n} من 5 نجوم` },
}

/** What an email says by itself in its language; in English where that is not known here. @param lang BCP 47 */
export const phrasesOf = (lang: string): Phrases => phrases[lang.toLowerCase().split('-')[0]!] ?? phrases.en!
