/** Words that lead out of a list, in the languages that Mosaicus has phrases for. */
const words =
  /unsubscribe|opt out|leave (?:the|this|our) list|abmelden|abbestellen|se désabonner|désinscri\p{L}*|darse de baja|cancelar (?:la )?suscripción|uitschrijven|afmelden|disiscriv\p{L}*|annulla iscrizione|cancelar (?:a )?(?:inscrição|subscrição)|avregistrer\p{L}*|avprenumerera|avmeld\p{L}*|afmeld\p{L}*|wypisz\p{L}*|odhlásit|peruuta tilaus/iu

/** Where in a text the way out is named: from and to, or null. */
export function wayOutIn(said: string): { from: number; to: number } | null {
  const found = words.exec(said)
  return found ? { from: found.index, to: found.index + found[0].length } : null
}
