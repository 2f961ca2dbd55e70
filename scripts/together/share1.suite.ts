import { runShare } from './files'

runShare(1)
