import { z } from 'zod'
import { safeFonts, webFontSchema } from '@/core/email/fonts'
import { richTextSchema } from '@/core/email/richtext'
import { byHandSchema, type Email } from '@/core/email/schema'
import { colorSchema } from '@/core/email/styles'
import { motifNames } from '@/core/starters/motifs'
import { iconShapes } from '@/core/tiles/social/schema'
import { notes, picture } from './parts'
import { routesOf } from './route'

/** px of the picture: twice what is shown. */
const drawnSide = z.number().int().min(16).max(2400)

const counted = <T extends z.ZodType>(value: T) => z.object({ value, count: z.number() })

const share = z.number().min(0).max(1)
const pictureLook = z.object({
  clear: z.boolean().describe('whether anything of it is clear'),
  box: z.string().nullable().describe('the colour of a light, opaque, even border all around'),
  rim: z
    .array(z.object({ color: z.string(), count: z.number() }))
    .describe('colours of opaque pixels beside clear ones'),
  tones: z
    .array(share)
    .describe('shares of its opaque pixels from black to white, in even steps of contrast'),
})

const languages = z.object({
  languages: z.array(
    z.object({
      code: z.string().describe('ISO 639-2/T'),
      tag: z.string().describe('BCP 47'),
      name: z.string(),
      here: z.boolean(),
    }),
  ),
})

/** What an email made elsewhere could be read as. */
const imported = z.object({
  hand: byHandSchema.describe('the source as it is'),
  bands: z
    .custom<Pick<Email, 'bands' | 'width' | 'lang' | 'dir' | 'title' | 'preheader' | 'styles'>>(
      (v) => typeof v === 'object' && v !== null,
    )
    .meta({
      description:
        'what its tables could be read as: bands, width, lang, dir, title, preheader, and the ground as styles',
    }),
  subject: z.string(),
  text: z.string().nullable(),
  notes,
})

export const materialRoutes = routesOf({
  'POST /api/pages': {
    does: "Reads the looks off a client's page: pasted HTML and CSS or an address as JSON, or a saved page as a file. Saves nothing but font files with an open licence, which go after a month if no house style names them; runs nothing.",
    form: { files: { file: 'HTML, or a ZIP with its style sheets' }, most: 20 },
    body: z.object({
      html: z.string().max(1_000_000).optional(),
      css: z.string().max(2_000_000).optional(),
      address: z.string().trim().min(3).max(2000).optional(),
    }),
    gives: z.object({
      address: z.string().optional(),
      backgrounds: z.array(counted(z.string())),
      texts: z.array(counted(z.string())),
      links: z.array(counted(z.string())),
      buttons: z.array(
        counted(
          z.object({
            background: z.string(),
            color: z.string(),
            radius: z.number(),
            padX: z.number(),
            padY: z.number(),
            label: z.string(),
          }),
        ),
      ),
      fonts: z.array(
        counted(z.string()).extend({
          safe: z.enum(safeFonts),
          offer: z
            .object({ licence: z.string(), files: webFontSchema.shape.files })
            .optional()
            .describe('its own files, kept here, where they name an open licence'),
          held: z.string().optional().describe('why they are not offered'),
        }),
      ),
      logos: z.array(z.object({ src: z.string(), alt: z.string(), why: z.string() })),
    }),
    problems: '422 not-a-page, address-refused, 502 address-unreachable',
    long: true,
  },
  'POST /api/decks': {
    does: 'Parts a copy deck into pieces. Saves nothing.',
    form: { files: { file: 'plain text, Markdown or DOCX' }, most: 20 },
    body: z.object({ text: z.string().min(1, 'paste the copy'), markdown: z.boolean().optional() }),
    gives: z.object({
      pieces: z.array(
        z.object({
          text: z.string(),
          kind: z.enum(['subject', 'preheader', 'heading', 'words', 'list', 'link', 'picture', 'note']),
          rich: richTextSchema,
          link: z.string().optional(),
        }),
      ),
    }),
    problems: '422 not-a-deck',
    long: true,
  },
  'POST /api/import': {
    does: 'Reads an email made elsewhere, told by its content, or JSON with the source or the address where it is read in a browser (private networks are refused). Saves nothing but the pictures it brings.',
    form: { files: { file: 'HTML, a ZIP with HTML and pictures, or a message; at most 40 MB' }, most: 41 },
    body: z
      .object({ html: z.string().optional(), address: z.string().trim().min(3).max(2000).optional() })
      .refine((b) => b.html || b.address, 'paste the source of an email, or give its address'),
    gives: imported,
    problems: '413, 422 not-an-email and address-refused, 502 address-unreachable',
    long: true,
  },
  'POST /api/pictures': {
    does: 'Takes in a picture for an email: a file, or what stands at an address (private networks are refused).',
    form: {
      files: { picture: 'PNG, JPEG, GIF, animated WebP or PNG, at most 25 megapixels and 10 MB' },
      most: 12,
    },
    body: z.object({ address: z.string().trim().min(3).max(2000) }),
    gives: picture,
    remark:
      '`id` is the SHA-256 of the bytes; an animated WebP or PNG becomes a GIF, and `moving.of` names the picture that came',
    status: 201,
    problems: '413, 415, 422 address-refused, 502 address-unreachable',
  },
  'POST /api/pictures/looks': {
    does: 'What the pixels of kept pictures show: their edges, and how much of each is how light. The checks of the night and of words over pictures rest on it.',
    body: z.object({ ids: z.array(z.string().regex(/^[0-9a-f]{64}$/)).max(200) }),
    gives: z.object({ looks: z.array(pictureLook.nullable()) }),
    remark: 'in the order of the ids; null where there is no such picture',
  },
  'POST /api/icons': {
    does: 'Draws a shipped icon as PNG.',
    body: z.object({
      icon: z.string().max(60),
      size: z.number().int().min(16).max(256).describe('of the picture, px: twice the shown size'),
      color: colorSchema,
      ground: colorSchema,
      shape: z.enum(iconShapes),
    }),
    gives: picture,
    status: 201,
    problems: '404',
  },
  'POST /api/drawings': {
    does: 'Draws a mosaic, as starters begin with, as PNG.',
    body: z.object({
      motif: z.enum(motifNames),
      width: drawnSide,
      height: drawnSide,
      play: z.boolean().optional().describe('whether a mark for playing lies on it'),
      colors: z.object({ tint: colorSchema, accent: colorSchema, deep: colorSchema }),
    }),
    gives: picture,
    status: 201,
    problems: '422',
  },
  'GET /api/pictures/:picture': {
    does: 'A picture; `width` gives a smaller WebP, `frame` one frame of a moving one as PNG.',
    query: z.object({
      width: z.coerce.number().min(16).max(8000).optional(),
      frame: z.coerce.number().int().min(0).max(999).optional(),
    }),
    gives: 'image/*',
    problems: '404',
  },
  'POST /api/pictures/:picture/parts': {
    does: 'Takes a part of a picture as one of its own; the whole stays.',
    body: z.object({
      x: z.number().int().min(0),
      y: z.number().int().min(0),
      w: z.number().int().min(1),
      h: z.number().int().min(1),
    }),
    gives: picture,
    status: 201,
    problems: '404, 422 part-outside and moving-picture',
  },
  'GET /api/reading': {
    does: 'The languages that words can be read in, and whether each is at hand.',
    gives: languages,
  },
  'POST /api/reading': {
    does: 'Brings what is needed to read a language from the package registry.',
    body: z.object({
      language: z
        .string()
        .regex(/^[a-z]{3}$/)
        .describe('ISO 639-2/T, such as deu'),
    }),
    gives: languages,
    problems: '404, 502 language-not-brought',
  },
  'GET /api/reading/:file': {
    does: 'Files of the text recognition, for the worker of the page.',
    gives: 'application/octet-stream',
    problems: '404',
  },
})
