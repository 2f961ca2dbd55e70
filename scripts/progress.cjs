/**
 * A reporter for Jest and for Playwright: tells the command that started them which test began and how it ended, so that it can
 * end a run that hangs and still say what it found.
 */
module.exports = class Progress {
  say(kind, name, outcome) {
    process.send?.({ kind, name, outcome })
  }

  // Jest's.
  onTestFileStart({ path }) {
    this.say('begins', path)
  }
  onTestCaseStart(test, { fullName }) {
    this.say('begins', `${test.path} › ${fullName}`)
  }
  onTestCaseResult(test, { fullName, status }) {
    const outcome = { passed: 'passed', failed: 'failed' }[status]
    this.say('ended', `${test.path} › ${fullName}`, outcome)
  }

  // Playwright's.
  onTestBegin({ title }) {
    this.say('begins', title)
  }
  onTestEnd(test, { status }) {
    this.say('ended', test.title, status === 'skipped' ? undefined : status === test.expectedStatus ? 'passed' : 'failed')
  }
}
