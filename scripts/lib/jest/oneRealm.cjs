const { TestEnvironment } = require('jest-environment-node');

/**
 * Tests of rooms without an interface run where Node itself runs, not in a sandbox of their own: what they share with
 * the packages they use (arrays, errors, typed arrays) is the same on both sides, and as quick as outside of Jest.
 */
class OneRealm extends TestEnvironment {
  constructor(config, context) {
    super(config, context);
    this.global = globalThis;
    const { constructor: ModuleMocker } = this.moduleMocker;
    const { constructor: FakeTimers } = this.fakeTimersModern;
    this.moduleMocker = new ModuleMocker(globalThis);
    this.fakeTimersModern = new FakeTimers({ config: config.projectConfig, global: globalThis });
    globalThis.Error.stackTraceLimit = 100;
  }
}

module.exports = { __esModule: true, default: OneRealm };
