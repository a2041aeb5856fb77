/** How large a face is, for doses and sheets. */
export const FACE_SIZES = [
  { value: 'S', words: 'small' },
  { value: 'M', words: 'medium' },
  { value: 'L', words: 'large' },
] as const
