// Names what failed, sums what the runners counted and ends with one line; anything failed, missing or left out is a failure.
import { readFileSync } from "node:fs";
import { stripVTControlCharacters } from "node:util";

const [checksPassed, checksFailed, jestFile, ...journeyFiles] = process.argv.slice(2);

function read(file) {
  try {
    return JSON.parse(readFileSync(file, "utf8"));
  } catch {
    console.log(`${file} is missing: that runner did not finish`);
    return null;
  }
}

// What was counted, and one text for each failure: its name and the head of what was said.
const HEAD = 1_200;
const told = (name, text) => `FAILED ${name}\n${stripVTControlCharacters(text ?? "").slice(0, HEAD)}\n`;

function unitTests(jest) {
  if (!jest) return { passed: 0, failed: 1, failures: [] };
  const failures = jest.testResults.flatMap((file) => {
    const failed = file.assertionResults.filter((each) => each.status === "failed");
    if (failed.length === 0 && file.status === "failed") return [told(file.name, file.message)];
    return failed.map((each) => told(each.fullName, each.failureMessages[0]));
  });
  return {
    passed: jest.numPassedTests,
    failed: jest.numFailedTests + jest.numRuntimeErrorTestSuites + jest.numPendingTests,
    failures,
  };
}

function specsOf(suite) {
  return [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)];
}

function journeyTests(journeys) {
  if (!journeys) return { passed: 0, failed: 1, failures: [] };
  const failures = journeys.suites
    .flatMap(specsOf)
    .filter((spec) => !spec.ok)
    .map((spec) =>
      told(`${spec.file}:${spec.line} ${spec.title}`, spec.tests.flatMap((each) => each.results).find((each) => each.error)?.error.message),
    );
  return {
    passed: journeys.stats.expected,
    failed: journeys.stats.unexpected + journeys.stats.flaky + journeys.stats.skipped + journeys.errors.length,
    failures: [...failures, ...journeys.errors.map((error) => told("the journeys", error.message))],
  };
}

const unit = unitTests(read(jestFile));
const browser = journeyFiles
  .map((file) => journeyTests(read(file)))
  .reduce((sum, each) => ({
    passed: sum.passed + each.passed,
    failed: sum.failed + each.failed,
    failures: [...sum.failures, ...each.failures],
  }));
for (const failure of [...unit.failures, ...browser.failures]) console.log(failure);
const passed = unit.passed + browser.passed + Number(checksPassed);
const failed = unit.failed + browser.failed + Number(checksFailed);
console.log(`checks ${checksPassed}, unit and server tests ${unit.passed}, journeys ${browser.passed}`);
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && unit.passed > 0 && browser.passed > 0 ? 0 : 1;
