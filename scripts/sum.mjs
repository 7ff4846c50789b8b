// Sums what the runners counted and ends with one line; anything failed, missing or left out is a failure.
import { readFileSync } from "node:fs";

const [checksPassed, checksFailed, jestFile, ...journeyFiles] = process.argv.slice(2);

function read(file) {
  try {
    return JSON.parse(readFileSync(file, "utf8"));
  } catch {
    console.log(`${file} is missing: that runner did not finish`);
    return null;
  }
}

const jest = read(jestFile);
const unit = jest
  ? { passed: jest.numPassedTests, failed: jest.numFailedTests + jest.numRuntimeErrorTestSuites + jest.numPendingTests }
  : { passed: 0, failed: 1 };
const browser = journeyFiles
  .map(read)
  .map((journeys) =>
    journeys
      ? {
          passed: journeys.stats.expected,
          failed: journeys.stats.unexpected + journeys.stats.flaky + journeys.stats.skipped + journeys.errors.length,
        }
      : { passed: 0, failed: 1 },
  )
  .reduce((sum, each) => ({ passed: sum.passed + each.passed, failed: sum.failed + each.failed }));
const passed = unit.passed + browser.passed + Number(checksPassed);
const failed = unit.failed + browser.failed + Number(checksFailed);
console.log(`checks ${checksPassed}, unit and server tests ${unit.passed}, journeys ${browser.passed}`);
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && unit.passed > 0 && browser.passed > 0 ? 0 : 1;
