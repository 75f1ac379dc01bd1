import type { NextConfig } from 'next'

/** What every answer carries, whatever it is. */
const headers = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'SAMEORIGIN',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
}

const listed = (of: Record<string, string>) => Object.entries(of).map(([key, value]) => ({ key, value }))

const config: NextConfig = {
  // Native or socket-using packages stay outside the bundle.
  serverExternalPackages: [
    'better-sqlite3',
    'sharp',
    'nodemailer',
    'smtp-server',
    'mailparser',
    '@hyzyla/pdfium',
    'pdfjs-dist',
    '@napi-rs/canvas',
    'ag-psd',
    'mammoth',
    'tesseract.js',
  ],
  poweredByHeader: false,
  headers: async () => [
    { source: '/:path*', headers: listed(headers) },
    // Pictures are shown in frames without an origin, and named by what nobody can guess.
    {
      source: '/((?!api/pictures/|api/countdown|api/fonts/shipped/|api/shares/).*)',
      headers: listed({ 'Cross-Origin-Resource-Policy': 'same-origin' }),
    },
  ],
  // Its tokenizer is wanted in pages without its parser.
  experimental: { optimizePackageImports: ['parse5'] },
  // Types are checked by bin/test, once and by the native compiler.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  distDir: process.env.MOSAICUS_DIST ?? '.next',
}

export default config
