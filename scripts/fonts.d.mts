export function writeFonts(): void
export function fontEnvironment(): Record<string, string>
export function useShippedFonts(): void
