/** The root of the interface is no page either. */
export { default } from './[...]'
