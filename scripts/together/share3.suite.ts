import { runShare } from './files'

runShare(3)
