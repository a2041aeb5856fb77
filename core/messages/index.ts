export {
  calledOffText,
  confirmationText,
  linkText,
  type MessageText,
  type VisitWords,
} from './texts'
