import { whenRead } from '@/core/tiles/code/when-read'

/** What comes back for a question: it bears the number of it. */
export type Answered<A> = { call: number } & ({ answer: A } | { error: string })

/** Has a worker answer each question that it is sent, under the number that it bears. */
export function answering<Q, A>(answer: (question: Q) => A): void {
  self.onmessage = ({ data }: MessageEvent<Q & { call: number }>) =>
    void whenRead(() => answer(data)).then(
      (made) => self.postMessage({ call: data.call, answer: made } satisfies Answered<A>),
      (error: Error) => self.postMessage({ call: data.call, error: error.message } satisfies Answered<A>),
    )
}
