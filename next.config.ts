import type { NextConfig } from 'next'

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
  devIndicators: false,
  distDir: process.env.MOSAICUS_DIST ?? '.next',
}

export default config
