export { thisMoment } from '@/data/clock'
