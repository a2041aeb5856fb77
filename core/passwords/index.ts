export { judgePassword, LEAST_PASSWORD, type PasswordVerdict } from './judge'
