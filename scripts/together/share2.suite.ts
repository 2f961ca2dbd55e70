import { runShare } from './files'

runShare(2)
