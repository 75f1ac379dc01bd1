import { inSlices } from './slices'

test('what has to wait in between is done to its end', async () => {
  const done: number[] = []
  let there = false
  const read = () => {
    if (there) return
    throw new Promise<void>((go) =>
      setTimeout(() => {
        there = true
        go()
      }, 5),
    )
  }
  function* work(): Generator<void> {
    for (let band = 0; band < 5; band++) {
      if (band === 1) read()
      if (!done.includes(band)) done.push(band)
      yield
    }
  }
  await inSlices(work, () => true)
  expect(done).toEqual([0, 1, 2, 3, 4])
})

test('what is wanted no longer is left; what fails is told', async () => {
  let steps = 0
  await inSlices(
    function* () {
      for (;;) yield void steps++
    },
    () => steps < 7,
  )
  expect(steps).toBe(7)
  await expect(
    inSlices(
      // eslint-disable-next-line require-yield
      function* () {
        throw new Error('broken')
      },
      () => true,
    ),
  ).rejects.toThrow('broken')
})
