/** A whole layout to begin from: which bands it is made of, and what its inbox line says. */
export interface StarterLayout {
  id: string
  name: string
  mood: 'quiet' | 'bold' | 'warm'
  bands: readonly string[]
  subject: string
  preheader: string
}

const layout = (
  id: string,
  name: string,
  mood: StarterLayout['mood'],
  bands: string,
  subject: string,
  preheader: string,
): StarterLayout => ({ id, name, mood, bands: bands.split(' '), subject, preheader })

export const starterLayouts: readonly StarterLayout[] = [
  layout(
    'announcement',
    'Announcement',
    'bold',
    'head-menu opening-picture story-notes notice-call foot-middle',
    'One thing that is new',
    'What it is, for whom, and from when',
  ),
  layout(
    'story',
    'Letter with stories',
    'quiet',
    'head-line opening-letter story-left story-right notice-line foot-words',
    'A letter from the house',
    'What we saw and learned since the last one',
  ),
  layout(
    'goods',
    'Grid of goods',
    'warm',
    'head-menu opening-beside goods-three goods-four notice-small-print foot-menu',
    'Made this month',
    'A bowl, a jug, and what goes with them',
  ),
  layout(
    'schedule',
    'Timetable',
    'bold',
    'head-issue opening-deep times-table times-hours foot-deep',
    'The new timetable',
    'When it leaves, and when it arrives',
  ),
  layout(
    'comparison',
    'Comparison',
    'quiet',
    'head-mark story-right choice-table choice-two foot-middle',
    'Which one is yours?',
    'Three ways to travel, side by side',
  ),
  layout(
    'review',
    'What others say',
    'warm',
    'head-menu voice-one voice-two goods-one foot-menu',
    'I would not go another way',
    'Three people on what it was like',
  ),
  layout(
    'invitation',
    'Invitation',
    'quiet',
    'head-mark card-invitation times-days notice-list choice-yes-no foot-middle',
    'An evening in December',
    'Friday the 4th, seven in the evening',
  ),
  layout(
    'receipt',
    'Receipt',
    'quiet',
    'head-line card-items card-delivery notice-small-print foot-words',
    'Your order 4471',
    'What you ordered, and where it goes',
  ),
  layout(
    'ticket',
    'Ticket',
    'warm',
    'head-menu card-ticket notice-list times-hours foot-menu',
    'Your ticket to the coast',
    'Friday 18:40, coach 12, berth 34',
  ),
  layout(
    'changing',
    'Changing headline',
    'bold',
    'head-issue opening-changing card-facts story-steps foot-deep',
    'A headline that changes',
    'What stands beneath it holds for all its states',
  ),
  layout(
    'countdown',
    'Countdown',
    'bold',
    'notice-bar head-mark times-countdown opening-caption notice-call foot-deep',
    'Twelve days until it opens',
    'Set a reminder now',
  ),
  layout(
    'film',
    'Film',
    'warm',
    'head-menu card-film voice-portrait story-two foot-menu',
    'Two minutes at sea',
    'A film, and how it was made',
  ),
  layout(
    'question',
    'Question',
    'quiet',
    'head-line opening-strong choice-question voice-quotation foot-middle',
    'How was it?',
    'One press is enough',
  ),
]
