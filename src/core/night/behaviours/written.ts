import { asItIs, type Behaviour } from '../behaviour'

export const written: Behaviour = {
  id: 'written',
  label: 'As written',
  about: 'Only the email’s own rules for the dark hold (prefers-color-scheme); nothing else changes.',
  rests: 'Media Queries 5, 12.5; which readers honour it says the open data set on email support.',
  rules: 'media',
  page: '#121212',
  ...asItIs,
}
