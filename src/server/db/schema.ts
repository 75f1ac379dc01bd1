import { deliveryStates, taskStates } from '../../contract/states'
import type { Task } from '@/contract/tasks'
import { customType, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { DesignLayers } from '@/core/cut/layers'
import type { CutPlan } from '@/core/cut/plan'
import type { Email } from '@/core/email/schema'
import type { HouseStyle } from '@/core/email/styles'
import type { PictureRef } from '@/core/picture/ref'
import type { KnownFigures } from '../pool/proof'

/** What is stored and is no JSON: no schema takes it, so that reading it says so. */
export class NoJson {
  constructor(readonly text: string) {}
}

/** JSON that is checked by Zod when it is read. A row that holds none (a disk fails, a hand slips) stops nothing but itself. */
const json = <T>() =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'text',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (stored) => {
      try {
        return JSON.parse(stored) as T
      } catch {
        return new NoJson(stored) as T
      }
    },
  })

/** Times are ISO 8601 in UTC. Documents and house styles are JSON that is checked by Zod when it is read. */
export const clients = sqliteTable('clients', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  house: json<HouseStyle>()('house').notNull(),
  /** Counted up with each change of the house style. */
  revision: integer('revision').notNull().default(1),
  createdAt: text('created_at').notNull(),
})

export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    name: text('name').notNull(),
    /** Width of the email, px. */
    width: integer('width').notNull(),
    /** Day it is due, YYYY-MM-DD. */
    due: text('due'),
    archived: integer('archived', { mode: 'boolean' }).notNull().default(false),
    /** Null where it began without a design. */
    designId: text('design_id').references(() => pictures.id),
    designName: text('design_name').notNull().default(''),
    /** What the design's file knows beyond its pixels; null where it was a picture. */
    layers: json<DesignLayers>()('layers'),
    /** The narrow design of the same email, where there is one. */
    narrowId: text('narrow_id').references(() => pictures.id),
    narrowName: text('narrow_name'),
    /** The design that the present one replaced. */
    beforeId: text('before_id').references(() => pictures.id),
    /** Whether its previews may load pictures and fonts from elsewhere. */
    remote: integer('remote', { mode: 'boolean' }).notNull().default(false),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
  },
  (t) => [index('jobs_client').on(t.clientId)],
)

/** Pictures are files named by the SHA-256 of their bytes; this is what is known of them. */
export const pictures = sqliteTable('pictures', {
  id: text('id').primaryKey(),
  type: text('type').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  bytes: integer('bytes').notNull(),
  /** Null where it does not move. */
  moving: json<PictureRef['moving']>()('moving'),
  createdAt: text('created_at').notNull(),
})

/** Films are files named by the SHA-256 of their bytes, as pictures are. */
export const films = sqliteTable('films', {
  id: text('id').primaryKey(),
  type: text('type').notNull(),
  name: text('name').notNull(),
  bytes: integer('bytes').notNull(),
  createdAt: text('created_at').notNull(),
})

/** When each recipient first opened a countdown that runs for a span. */
export const openings = sqliteTable('openings', {
  /** SHA-256 of the countdown and of what tells the recipient apart. */
  id: text('id').primaryKey(),
  /** ms since 1970 */
  at: integer('at').notNull(),
})

/** A client's pictures, for any of its jobs. */
export const shelfPictures = sqliteTable(
  'shelf_pictures',
  {
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    pictureId: text('picture_id')
      .notNull()
      .references(() => pictures.id),
    name: text('name').notNull(),
    at: text('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.clientId, t.pictureId] })],
)

/** Bands and whole emails that a client keeps for other jobs. */
export const keptParts = sqliteTable(
  'kept_parts',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    /** The email it came from, with the bands that were kept of it alone. */
    body: json<Email>()('body').notNull(),
    /** Whether it is a whole email, with its subject and values. */
    whole: integer('whole', { mode: 'boolean' }).notNull(),
    /** Counted up with each change of its bands. */
    revision: integer('revision').notNull().default(1),
    at: text('at').notNull(),
  },
  (t) => [index('kept_parts_client').on(t.clientId)],
)

/** The cut plan and the email of a job; each saving counts the revision up. */
export const documents = sqliteTable(
  'documents',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: ['cuts', 'email'] }).notNull(),
    revision: integer('revision').notNull(),
    body: json<CutPlan | Email>()('body').notNull(),
    savedAt: text('saved_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.jobId, t.kind] })],
)

/** What the documents of a job come to, kept with the revisions it was made of. */
export const figures = sqliteTable('figures', {
  jobId: text('job_id')
    .primaryKey()
    .references(() => jobs.id, { onDelete: 'cascade' }),
  of: text('of').notNull(),
  body: json<KnownFigures>()('body').notNull(),
})

/** Emails as they once were, kept under a name. */
export const versions = sqliteTable(
  'versions',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    body: json<Email>()('body').notNull(),
    revision: integer('revision').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('versions_job').on(t.jobId)],
)

/** Links under which a client looks at an email without an account. The id is the secret part of the link. */
export const shares = sqliteTable(
  'shares',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    createdAt: text('created_at').notNull(),
    expiresAt: text('expires_at').notNull(),
    revokedAt: text('revoked_at'),
    /** Who said yes, when, and to which revision of the email. */
    yesBy: text('yes_by'),
    yesAt: text('yes_at'),
    yesRevision: integer('yes_revision'),
  },
  (t) => [index('shares_job').on(t.jobId)],
)

/** Each yes to an email: who said it, when, to which revision, under which link. */
export const approvals = sqliteTable(
  'approvals',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    shareId: text('share_id')
      .notNull()
      .references(() => shares.id, { onDelete: 'cascade' }),
    by: text('by').notNull(),
    at: text('at').notNull(),
    revision: integer('revision').notNull(),
  },
  (t) => [index('approvals_job').on(t.jobId)],
)

/**
 * Which pictures, films and fonts (SHA-256 of their bytes) stand in what is stored, noted as it is saved, so that nobody has to read documents to know.
 * An owner is named by its kind and id: `email <job>`, `cuts <job>`, `version <id>`, `kept <id>`, `house <client>`.
 */
export const uses = sqliteTable(
  'uses',
  {
    owner: text('owner').notNull(),
    thing: text('thing').notNull(),
  },
  (t) => [primaryKey({ columns: [t.owner, t.thing] }), index('uses_thing').on(t.thing)],
)

/** Wrong tries at the passphrase since somebody last entered, by address. */
export const tries = sqliteTable(
  'tries',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    address: text('address').notNull(),
    /** ms since 1970 */
    at: integer('at').notNull(),
  },
  (t) => [index('tries_address').on(t.address)],
)

/** What a client remarks at a place of an email. */
export const remarks = sqliteTable(
  'remarks',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    shareId: text('share_id')
      .notNull()
      .references(() => shares.id, { onDelete: 'cascade' }),
    /** The band, and the tile in it where it is about one. */
    band: text('band').notNull(),
    tile: text('tile'),
    lens: text('lens').notNull(),
    by: text('by').notNull(),
    said: text('said').notNull(),
    at: text('at').notNull(),
    settledAt: text('settled_at'),
  },
  (t) => [index('remarks_job').on(t.jobId)],
)

/** Crops already encoded, by what they were made from, so that nothing is encoded twice. */
export const crops = sqliteTable('crops', {
  /** Design, rectangle, scale and the encoder's version. */
  key: text('key').primaryKey(),
  pictureId: text('picture_id')
    .notNull()
    .references(() => pictures.id),
  /** SSIM against the crop. */
  likeness: integer('likeness_millionths').notNull(),
  /** Bytes of the same pixels as a plain PNG. */
  plain: integer('plain_bytes').notNull().default(0),
})

/** What was handed over, where, and how it went. */
export const deliveries = sqliteTable(
  'deliveries',
  {
    id: text('id').primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    destination: text('destination').notNull(),
    state: text('state', { enum: deliveryStates }).notNull(),
    /** What makes a repeat safe: one delivery for each. */
    key: text('key').unique(),
    summary: text('summary').notNull(),
    detail: json<Record<string, unknown>>()('detail').notNull(),
    revision: integer('revision').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('deliveries_job').on(t.jobId)],
)

/** Long work, written down before it begins and settled when it ends. */
export const tasks = sqliteTable(
  'tasks',
  {
    id: text('id').primaryKey(),
    kind: text('kind').notNull(),
    title: text('title').notNull(),
    jobId: text('job_id').references(() => jobs.id, { onDelete: 'cascade' }),
    state: text('state', { enum: taskStates }).notNull(),
    progress: json<Task['progress']>()('progress'),
    problem: json<Task['problem']>()('problem'),
    result: json<unknown>()('result'),
    startedAt: text('started_at').notNull(),
    endedAt: text('ended_at'),
  },
  (t) => [index('tasks_started').on(t.startedAt)],
)

/** The slow hash of the one passphrase, where the app is opened beyond its machine. */
export const passphrase = sqliteTable('passphrase', {
  id: integer('id').primaryKey(),
  hash: text('hash').notNull(),
  setAt: text('set_at').notNull(),
})

/** Who has entered: digests of tokens, and when they are over, ms since 1970. */
export const sessions = sqliteTable('sessions', {
  id: text('id').primaryKey(),
  expiresAt: integer('expires_at').notNull(),
})
