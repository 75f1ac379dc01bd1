/** Hears of a worker that fails as a whole: its script does not load, it throws, or what it says cannot be read (HTML, 10.2.4 and 9.3). It is ended. */
export function onBroken(worker: Worker, then: (error: Error) => void): void {
  const broken = () => {
    worker.terminate()
    then(new Error('This part of the app broke off. Try again; if it happens again, load the page anew.'))
  }
  worker.addEventListener('error', broken)
  worker.addEventListener('messageerror', broken)
}
