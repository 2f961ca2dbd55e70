import { runShare } from './files'

runShare(0)
