import type { z } from 'zod'

/** The files of a multipart form, by field, with what each is. */
export type FormFiles = Readonly<Record<string, string>>

/** One route: what it takes and what it gives, for the server that serves it, the page that calls it, and docs/api.md. */
export interface Route {
  does: string
  /** The JSON it takes. */
  body?: z.ZodType
  /** What may stand behind the `?` of its address. */
  query?: z.ZodObject
  /** The multipart form it takes: text fields and files. Where a body is named too, either may be sent. */
  form?: {
    fields?: z.ZodObject
    files: FormFiles
    /** Most of it, MB. */
    most: number
  }
  /** The JSON it gives, or the media type of the file. */
  gives: z.ZodType | string
  /** What the schema does not say of the answer. */
  remark?: string
  /** Of an answer that went well; left out, 200. */
  status?: 200 | 201
  /** Kinds of problem to reckon with, by status. */
  problems?: string
  /** Long work runs as a task: a caller that prefers `respond-async` gets the task instead of waiting. */
  long?: boolean
}

/** A route's method and path, with parameters as `:name`. */
export type RouteKey = `${'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'} /api/${string}`

/** Checks routes while keeping the type of each. */
export const routesOf = <const R extends Record<RouteKey, Route>>(routes: R): R => routes

/** The names of the parameters of a path. */
type ParamNames<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? Name | ParamNames<`/${Rest}`>
  : P extends `${string}:${infer Name}`
    ? Name
    : never

export type ParamsOf<K extends string> = Record<ParamNames<K>, string>
export type BodyOf<R> = R extends { body: infer B extends z.ZodType } ? B : never
export type FieldsOf<R> = R extends { form: { fields: infer F extends z.ZodObject } } ? F : never
export type QueryOf<R> = R extends { query: infer Q extends z.ZodObject } ? Q : never
export type AnswerOf<R> = R extends { gives: infer G } ? (G extends z.ZodType ? z.output<G> : Blob) : never
