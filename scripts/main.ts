export {}

const usage = `usage: ./mozle COMMAND

  demo [--fresh] [--port N]   install what is missing, start, seed the made-up college, serve on 127.0.0.1
  test [core|database|browser|FILE]   check and test everything, or a part of it
  calc PLAN [--log ENTRIES]   compute a plan file (and a run's entries) and print JSON
  bench                       print speed figures
`

const [command, ...args] = process.argv.slice(2)

// calc must answer in under a second, so the heavier commands are loaded only when asked for.
switch (command) {
  case 'demo':
    await (await import('./demo')).demo(args)
    break
  case 'test':
    await (await import('./test')).test(args)
    break
  case 'calc':
    await (await import('./calc')).calc(args)
    break
  case 'bench':
    await (await import('./bench')).bench()
    break
  default:
    process.stdout.write(usage)
    process.exitCode = command === undefined || command === 'help' ? 0 : 2
}
