const { default: Runtime } = require('jest-runtime');

/** Packages that come as modules only, which Jest has to compile. */
const COMPILED = ['@tus', 'srvx'];
/** Files, what Jest gives itself, and our own rooms. */
const NO_PACKAGE = /^[./]|^node:|^@jest\/globals$|^@plesion\//;
const PACKAGE = new RegExp(String.raw`[\\/]node_modules[\\/](?!(${COMPILED.join('|')})[\\/]).*\.(c?js|json|node)$`);

/**
 * Packages are loaded once for all test files of a process, our own modules for each file anew. To load the server's
 * packages takes two seconds and more; there are dozens of files. For tests that run in one realm with Node (`oneRealm.cjs`).
 */
class SharedPackages extends Runtime {
  createScriptFromCode(code, filename) {
    const script = super.createScriptFromCode(code, filename);
    script.runInContext = (_context, options) => script.runInThisContext(options);
    return script;
  }

  requireModuleOrMock(from, name) {
    const path = this.sharedPath(from, name);
    return path ? require(path) : super.requireModuleOrMock(from, name);
  }

  /** Where a package is that no test file has mocked. */
  sharedPath(from, name) {
    if (NO_PACKAGE.test(name) || this._explicitShouldMock.size > 0) return undefined;
    if (this._resolver.isCoreModule(name)) return undefined;
    const path = this._resolver.resolveModule(from, name, { conditions: this.cjsConditions });
    return PACKAGE.test(path) ? path : undefined;
  }
}

module.exports = { __esModule: true, default: SharedPackages };
