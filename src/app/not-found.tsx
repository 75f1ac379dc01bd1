import Link from 'next/link'

export default function NotFound() {
  return (
    <main className="grid h-dvh place-items-center">
      <div className="max-w-sm border-t-4 border-terra bg-paper p-6">
        <h1 className="text-xl">There is nothing here</h1>
        <p className="mt-1 text-soft">The job or page may have been removed, or the address is not whole.</p>
        <p className="mt-3">
          <Link className="text-lapis underline" href="/">
            Back to the wall
          </Link>
        </p>
      </div>
    </main>
  )
}
