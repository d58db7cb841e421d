export { useJob } from './useJob'
