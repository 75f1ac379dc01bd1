/** What an email says by itself, to people who have it read aloud. */
export interface Phrases {
  /** What kind of document it is. */
  email: string
  /** What stands before the words of a picture in a plain text. */
  picture: string
  /** What a table without a caption is called. */
  table: string
  stars: (count: number) => string
  /** A link to a page where a form is filled in. @param where its host */
  answerAt: (where: string) => string
  /** Before answers that are links. @param where the host that they open */
  pressOne: (where: string) => string
}

/** By primary language (RFC 5646, 2.2.1); from memory. */
const phrases: Record<string, Phrases> = {
  en: {
    email: 'email',
    picture: 'Picture',
    table: 'Table',
    stars: (n) => `${n} of 5 stars`,
    answerAt: (w) => `Answer at ${w}`,
    pressOne: (w) => `Press your answer: it opens ${w}.`,
  },
  de: {
    email: 'E-Mail',
    picture: 'Bild',
    table: 'Tabelle',
    stars: (n) => `${n} von 5 Sternen`,
    answerAt: (w) => `Auf ${w} antworten`,
    pressOne: (w) => `Antwort antippen: ${w} öffnet sich.`,
  },
  fr: {
    email: 'e-mail',
    picture: 'Image',
    table: 'Tableau',
    stars: (n) => `${n} étoiles sur 5`,
    answerAt: (w) => `Répondre sur ${w}`,
    pressOne: (w) => `Touchez votre réponse\u00a0: ${w} s’ouvre.`,
  },
  es: {
    email: 'correo electrónico',
    picture: 'Imagen',
    table: 'Tabla',
    stars: (n) => `${n} de 5 estrellas`,
    answerAt: (w) => `Responder en ${w}`,
    pressOne: (w) => `Pulse su respuesta: se abre ${w}.`,
  },
  it: {
    email: 'e-mail',
    picture: 'Immagine',
    table: 'Tabella',
    stars: (n) => `${n} stelle su 5`,
    answerAt: (w) => `Rispondi su ${w}`,
    pressOne: (w) => `Tocca la tua risposta: si apre ${w}.`,
  },
  pt: {
    email: 'e-mail',
    picture: 'Imagem',
    table: 'Tabela',
    stars: (n) => `${n} de 5 estrelas`,
    answerAt: (w) => `Responder em ${w}`,
    pressOne: (w) => `Toque na sua resposta: abre ${w}.`,
  },
  nl: {
    email: 'e-mail',
    picture: 'Afbeelding',
    table: 'Tabel',
    stars: (n) => `${n} van 5 sterren`,
    answerAt: (w) => `Antwoord op ${w}`,
    pressOne: (w) => `Tik op je antwoord: ${w} opent.`,
  },
  sv: {
    email: 'e-post',
    picture: 'Bild',
    table: 'Tabell',
    stars: (n) => `${n} av 5 stjärnor`,
    answerAt: (w) => `Svara på ${w}`,
    pressOne: (w) => `Tryck på ditt svar: ${w} öppnas.`,
  },
  da: {
    email: 'e-mail',
    picture: 'Billede',
    table: 'Tabel',
    stars: (n) => `${n} ud af 5 stjerner`,
    answerAt: (w) => `Svar på ${w}`,
    pressOne: (w) => `Tryk på dit svar: ${w} åbner.`,
  },
  pl: {
    email: 'e-mail',
    picture: 'Obraz',
    table: 'Tabela',
    stars: (n) => `${n} z 5 gwiazdek`,
    answerAt: (w) => `Odpowiedz na ${w}`,
    pressOne: (w) => `Wybierz odpowiedź: otworzy się ${w}.`,
  },
  he: {
    email: 'דוא״ל',
    picture: 'תמונה',
    table: 'טבלה',
    stars: (n) => `${n} מתוך 5 כוכבים`,
    answerAt: (w) => `תשובה באתר ${w}`,
    pressOne: (w) => `לחצו על התשובה: ייפתח ${w}.`,
  },
  ar: {
    email: 'بريد إلكتروني',
    picture: 'صورة',
    table: 'جدول',
    stars: (n) => `${n} من 5 نجوم`,
    answerAt: (w) => `الإجابة على ${w}`,
    pressOne: (w) => `اضغط على إجابتك: يُفتح ${w}.`,
  },
}

/** What an email says by itself in its language; in English where that is not known here. @param lang BCP 47 */
export const phrasesOf = (lang: string): Phrases => phrases[lang.toLowerCase().split('-')[0]!] ?? phrases.en!
