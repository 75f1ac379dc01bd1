/** What the designs say: made-up senders and their news, each with enough for every part of an email. */
export interface Story {
  lang: string
  brand: string
  menu: readonly string[]
  kicker: string
  headline: string
  lead: string
  /** Labels of buttons, the main one first. */
  calls: readonly string[]
  section: string
  /** Name, note, price, former price. */
  items: readonly (readonly [name: string, note: string, price: string, was: string])[]
  /** Figure and what it counts. */
  figures: readonly (readonly [string, string])[]
  /** Time and what happens. */
  hours: readonly (readonly [string, string, string])[]
  steps: readonly (readonly [string, string])[]
  rows: readonly (readonly string[])[]
  code: string
  offer: string
  quote: string
  who: string
  address: string
  small: string
}

export const stories: readonly Story[] = [
  {
    lang: 'en',
    brand: 'Osier & Reed',
    menu: ['Baskets', 'Lamps', 'Repairs'],
    kicker: 'Autumn weaving',
    headline: 'Baskets made while the river was high',
    lead: 'Seven weavers worked through the wet months, and everything they finished is in the shop from Thursday morning.',
    calls: ['See the baskets', 'Book a bench', 'Add to basket'],
    section: 'Picked for the kitchen',
    items: [
      ['Bread tray', 'Brown willow, 38 cm', '£42', '£56'],
      ['Log carrier', 'Ash handles, holds twelve', '£88', '£110'],
      ['Egg basket', 'Buff willow, lined', '£29', '£35'],
    ],
    figures: [
      ['1,240', 'rods cut by hand'],
      ['36', 'hours for a chair'],
      ['7', 'weavers at work'],
    ],
    hours: [
      ['09:30', 'Soaking and sorting', 'In the yard, boots on'],
      ['11:00', 'Bases and stakes', 'Two to a bench'],
      ['14:15', 'Siding up', 'Tea at three'],
    ],
    steps: [
      ['Choose a shape', 'Round, oval or square, all to the same pattern.'],
      ['Send us the size', 'Measure the shelf, not the old basket.'],
      ['Wait three weeks', 'We write when it is dry.'],
    ],
    rows: [
      ['Item', 'Number', 'Price'],
      ['Bread tray', '2', '£84.00'],
      ['Log carrier', '1', '£88.00'],
      ['Delivery', '', '£6.50'],
      ['Total', '', '£178.50'],
    ],
    code: 'WILLOW15',
    offer: '15% off your first order',
    quote: 'It has carried wood for nine winters and still has not lost a rod.',
    who: 'Marian Petty, Wedmore',
    address: 'The Osier Yard, Levels Road, Burrowbridge',
    small: 'You get this letter because you asked for it in our shop.',
  },
  {
    lang: 'en',
    brand: 'Tidewell Rowing',
    menu: ['Fixtures', 'Boats', 'Join'],
    kicker: 'Season opens 4 April',
    headline: 'Learn to row before the summer',
    lead: 'Six mornings, one coach for every four people, and a boat that is hard to tip over. No need to be young or strong.',
    calls: ['Reserve a seat', 'Meet the coaches', 'Choose'],
    section: 'Three ways to begin',
    items: [
      ['Taster morning', 'Two hours on flat water', '£18', '£24'],
      ['Six-week course', 'Saturdays from eight', '£120', '£150'],
      ['Full membership', 'Boats, gym and storage', '£310', '£340'],
    ],
    figures: [
      ['92%', 'came back a second year'],
      ['48', 'boats on the racks'],
      ['1894', 'the club was founded'],
    ],
    hours: [
      ['06:45', 'Boathouse opens', 'Coffee is on'],
      ['07:15', 'First crews out', 'Back by half past eight'],
      ['10:00', 'Beginners', 'Life jackets are given'],
    ],
    steps: [
      ['Pick a morning', 'Weekdays are calmer than Sundays.'],
      ['Tell us you can swim', 'Fifty metres in clothes is enough.'],
      ['Bring a towel', 'The rest is in the boathouse.'],
    ],
    rows: [
      ['What you get', 'Taster', 'Member'],
      ['Coaching', '✓', '✓'],
      ['Use of the gym', '✗', '✓'],
      ['Own rack', '✗', '✓'],
    ],
    code: 'OARS-24',
    offer: 'Bring a friend for nothing',
    quote: 'I was fifty-six and had never sat in a boat. Now I race.',
    who: 'Joan Abara, bow seat',
    address: 'Tidewell Boathouse, Weir Lane, Upton',
    small: 'Tidewell Rowing is a charity. Leave this list at any time.',
  },
  {
    lang: 'en',
    brand: 'Lumen House',
    menu: ['New', 'Ceiling', 'Table', 'Sale'],
    kicker: 'The brass collection',
    headline: 'Light that stays where you want it',
    lead: 'Every arm is balanced by hand, so that the lamp holds its place for as long as you keep it.',
    calls: ['Shop lamps', 'Find a showroom', 'Add to bag'],
    section: 'Bestsellers this month',
    items: [
      ['Arc desk lamp', 'Brushed brass', '€189', '€229'],
      ['Dome pendant', 'Opal glass, 32 cm', '€245', '€290'],
      ['Clip reader', 'Runs on USB', '€49', '€65'],
    ],
    figures: [
      ['25 yr', 'guarantee on joints'],
      ['98', 'colour rendering'],
      ['4.8', 'of five from buyers'],
    ],
    hours: [
      ['18:00', 'Doors open', 'Drinks and small plates'],
      ['19:00', 'How a joint is made', 'With the workshop'],
      ['20:30', 'Lights out', 'Home by nine'],
    ],
    steps: [
      ['Measure the room', 'Height matters more than width.'],
      ['Choose the glass', 'Opal for eating, clear for reading.'],
      ['We hang it', 'In most towns within a week.'],
    ],
    rows: [
      ['Order 20817', 'Qty', 'Amount'],
      ['Arc desk lamp', '1', '€189.00'],
      ['Clip reader', '2', '€98.00'],
      ['Total', '', '€287.00'],
    ],
    code: 'GLOW20',
    offer: '20% off until Sunday',
    quote: 'The only thing in the flat that my father envies.',
    who: 'Petra Lindqvist',
    address: 'Lumen House, 8 Foundry Street, Leeds',
    small: 'Prices hold until 30 November or while stock lasts.',
  },
  {
    lang: 'de',
    brand: 'Hofladen Krumbach',
    menu: ['Gemüse', 'Käse', 'Abo'],
    kicker: 'Ernte der Woche',
    headline: 'Frisch vom Feld in Ihre Küche',
    lead: 'Jeden Dienstag packen wir, was gerade reif ist. Diese Woche sind es Kürbisse, Äpfel und der erste Grünkohl.',
    calls: ['Kiste bestellen', 'Rezepte lesen', 'In den Korb'],
    section: 'Unsere Empfehlungen',
    items: [
      ['Hokkaido', 'Aus eigenem Anbau', '3,90 €', '4,80 €'],
      ['Bergkäse', 'Acht Monate gereift', '7,50 €', '8,90 €'],
      ['Apfelsaft', 'Trüb, ein Liter', '2,60 €', '3,20 €'],
    ],
    figures: [
      ['42', 'Sorten Gemüse'],
      ['12 km', 'bis zu Ihnen'],
      ['100 %', 'ohne Umwege'],
    ],
    hours: [
      ['08:00', 'Markt in Krumbach', 'Vor der Kirche'],
      ['12:30', 'Hofküche', 'Suppe und Brot'],
      ['16:00', 'Führung', 'Für Kinder frei'],
    ],
    steps: [
      ['Größe wählen', 'Für zwei, vier oder sechs Personen.'],
      ['Tag angeben', 'Wir liefern von Montag bis Freitag.'],
      ['Kiste öffnen', 'Die leere nehmen wir wieder mit.'],
    ],
    rows: [
      ['Artikel', 'Menge', 'Preis'],
      ['Hokkaido', '2', '7,80 €'],
      ['Bergkäse', '1', '7,50 €'],
      ['Summe', '', '15,30 €'],
    ],
    code: 'HERBST10',
    offer: '10 % auf die erste Kiste',
    quote: 'Seit wir die Kiste haben, kochen wir wieder zusammen.',
    who: 'Familie Brandt',
    address: 'Hofladen Krumbach, Feldweg 3, Krumbach',
    small: 'Sie erhalten diese Nachricht, weil Sie Kunde sind.',
  },
  {
    lang: 'en',
    brand: 'NORTHLINE',
    menu: ['Routes', 'Passes', 'Help'],
    kicker: 'Night trains return',
    headline: 'Fall asleep here, wake by the sea',
    lead: 'Cabins for one, two or four, breakfast brought to the door, and no airport in between.',
    calls: ['Find a cabin', 'See all routes', 'Book'],
    section: 'Most loved journeys',
    items: [
      ['Coast Express', 'Four nights a week', '£79', '£99'],
      ['The Highlander', 'Daily but Sunday', '£95', '£120'],
      ['Alpine Sleeper', 'From December', '£119', '£149'],
    ],
    figures: [
      ['11', 'cities by night'],
      ['0', 'airports on the way'],
      ['83%', 'less carbon'],
    ],
    hours: [
      ['21:05', 'Leave Kingsmouth', 'Platform 4'],
      ['23:40', 'Dining car closes', 'Room service goes on'],
      ['07:32', 'Arrive at Sandhaven', 'Breakfast until nine'],
    ],
    steps: [
      ['Choose a night', 'Midweek cabins cost least.'],
      ['Pick your berth', 'Upper ones have the window.'],
      ['Board from eight', 'Your bed is made.'],
    ],
    rows: [
      ['Included', 'Seat', 'Cabin'],
      ['Breakfast', '✗', '✓'],
      ['Shower', '✗', '✓'],
      ['Bicycle', '✓', '✓'],
    ],
    code: 'SLEEP30',
    offer: '£30 off two cabins',
    quote: 'Best sleep in weeks, and then the sea through the window.',
    who: 'R. Okafor, Hexham',
    address: 'Northline, Station House, Kingsmouth',
    small: 'Fares for travel from 1 February to 31 March.',
  },
  {
    lang: 'en',
    brand: 'Fennel Street',
    menu: ['Menu', 'Tables', 'Vouchers'],
    kicker: 'Supper club no. 19',
    headline: 'One long table, nine small plates',
    lead: 'We cook what came in that morning and stop when the bread is gone. Forty seats, two evenings.',
    calls: ['Save two seats', 'Read the menu', 'Order'],
    section: 'What we are cooking',
    items: [
      ['Charred leeks', 'Hazelnut, brown butter', '£9', '£11'],
      ['Smoked trout', 'Horseradish and apple', '£14', '£17'],
      ['Quince tart', 'With sour cream', '£8', '£10'],
    ],
    figures: [
      ['40', 'seats at the table'],
      ['9', 'plates to share'],
      ['2', 'evenings only'],
    ],
    hours: [
      ['19:00', 'Welcome drink', 'Cider from the barrel'],
      ['19:45', 'First plates', 'Cold ones'],
      ['21:15', 'The oven opens', 'Fish, then sweet'],
    ],
    steps: [
      ['Choose an evening', 'Friday is louder than Thursday.'],
      ['Tell us what you avoid', 'We cook around most things.'],
      ['Come hungry', 'There will be bread.'],
    ],
    rows: [
      ['Your table', 'Guests', 'Price'],
      ['Supper, Friday', '2', '£96.00'],
      ['Wine with food', '2', '£58.00'],
      ['Total', '', '£154.00'],
    ],
    code: 'TABLE19',
    offer: 'A glass on the house',
    quote: 'We came as strangers and left with two phone numbers.',
    who: 'Ines and Tom',
    address: 'Fennel Street Kitchen, 19 Fennel Street, Bath',
    small: 'No longer hungry? Unsubscribe here.',
  },
  {
    lang: 'en',
    brand: 'Paperclip',
    menu: ['Product', 'Pricing', 'Docs'],
    kicker: 'Release notes',
    headline: 'Approvals that take minutes, not days',
    lead: 'Ask one person or ten, see who has answered, and keep every version in one place.',
    calls: ['Start a trial', 'Watch the tour', 'Upgrade'],
    section: "What's new in May",
    items: [
      ['Shared queues', 'See what waits for whom', '$12', '$15'],
      ['Audit trail', 'Every step with its date', '$19', '$24'],
      ['Team templates', 'Write once, use often', '$8', '$10'],
    ],
    figures: [
      ['3.2x', 'faster sign-off'],
      ['14k', 'teams on board'],
      ['99.9%', 'uptime last year'],
    ],
    hours: [
      ['10:00', 'Keynote', 'What we learnt'],
      ['11:30', 'Workshop', 'Bring a document'],
      ['15:00', 'Questions', 'With the founders'],
    ],
    steps: [
      ['Upload a draft', 'Any format up to 200 MB.'],
      ['Name the people', 'They need no account.'],
      ['Get the answer', 'We remind them for you.'],
    ],
    rows: [
      ['Plan', 'Free', 'Team'],
      ['Documents', '✓', '✓'],
      ['Reminders', '✗', '✓'],
      ['Single sign-on', '✗', '✓'],
    ],
    code: 'MAY-TEAM',
    offer: 'Two months free on yearly plans',
    quote: 'We used to chase people by phone. Now nobody calls.',
    who: 'Dana Whitlock, operations',
    address: 'Paperclip Ltd, 2 Wharf Row, Bristol',
    small: 'Manage your preferences or unsubscribe.',
  },
  {
    lang: 'fr',
    brand: 'Maison Aubier',
    menu: ['Literie', 'Bain', 'Soldes'],
    kicker: 'Nouvelle saison',
    headline: 'Le lin lavé, doux dès la première nuit',
    lead: 'Tissé dans le nord, teint à la main, lavé deux fois pour que vous n’ayez plus à attendre.',
    calls: ['Voir la collection', 'Nos boutiques', 'Ajouter'],
    section: 'Les pièces préférées',
    items: [
      ['Drap plat', 'Sable, 240 cm', '89 €', '119 €'],
      ['Taie carrée', 'Argile', '24 €', '32 €'],
      ['Plaid épais', 'Forêt', '69 €', '85 €'],
    ],
    figures: [
      ['2', 'lavages avant envoi'],
      ['18', 'couleurs naturelles'],
      ['30 j', 'pour changer d’avis'],
    ],
    hours: [
      ['10:00', 'Ouverture', 'Café offert'],
      ['14:00', 'Atelier teinture', 'Sur inscription'],
      ['18:30', 'Fermeture', 'À demain'],
    ],
    steps: [
      ['Choisir la taille', 'Mesurez le matelas.'],
      ['Choisir la couleur', 'Un échantillon gratuit.'],
      ['Recevoir chez vous', 'En trois jours.'],
    ],
    rows: [
      ['Commande', 'Nombre', 'Prix'],
      ['Drap plat', '1', '89,00 €'],
      ['Taie carrée', '2', '48,00 €'],
      ['Total', '', '137,00 €'],
    ],
    code: 'LIN20',
    offer: '20 % sur tout le linge',
    quote: 'On ne veut plus dormir ailleurs.',
    who: 'Claire M., Rennes',
    address: 'Maison Aubier, 5 rue du Port, Nantes',
    small: 'Vous recevez cette lettre parce que vous êtes inscrit.',
  },
]
