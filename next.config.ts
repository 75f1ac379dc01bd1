import type { NextConfig } from 'next'

/** What every answer carries, whatever it is. */
const headers = {
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'SAMEORIGIN',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
}

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
    'piscina',
  ],
  poweredByHeader: false,
  headers: async () => [
    { source: '/:path*', headers: Object.entries(headers).map(([key, value]) => ({ key, value })) },
  ],
  devIndicators: false,
  distDir: process.env.MOSAICUS_DIST ?? '.next',
}

export default config
