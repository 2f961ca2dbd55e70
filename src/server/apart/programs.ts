/** The programs that are run apart, by name, with their sources from the project's folder. */
export const apartPrograms = {
  archive: 'src/server/apart/archiveProcess.ts',
  export: 'src/server/apart/exportProcess.ts',
  trace: 'src/server/apart/traceProcess.ts',
  drawing: 'src/server/structures/drawingProcess.ts',
} as const
