import { Mark } from '../parts/mark'

/** What a link says that opens nothing. */
export function LinkOver({ title, detail }: { title: string; detail: string }) {
  return (
    <main className="grid h-dvh place-items-center">
      <div className="max-w-sm border-t-4 border-lapis bg-paper p-6">
        <Mark />
        <h1 className="mt-3 text-lg">{title}</h1>
        <p className="mt-1 text-soft">{detail}</p>
      </div>
    </main>
  )
}
