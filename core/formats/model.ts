export { Letter, LETTER_USE, LetterText } from './letter'
