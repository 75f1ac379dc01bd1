/** The part of gifenc that is measured against: it ships no types. */
declare module 'gifenc' {
  interface Encoder {
    writeFrame(
      indexed: Uint8Array,
      width: number,
      height: number,
      options: { palette: number[][]; delay: number },
    ): void
    finish(): void
    bytes(): Uint8Array
  }
  const gifenc: {
    GIFEncoder: () => Encoder
    quantize: (rgba: Uint8Array | Uint8ClampedArray, colors: number) => number[][]
    applyPalette: (rgba: Uint8Array | Uint8ClampedArray, palette: number[][]) => Uint8Array
  }
  export default gifenc
}
