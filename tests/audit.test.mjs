import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ofNpm, ofNuGet } from '../tools/auditFindings.mjs';

const ofSeverity = (severity) => ({ id: 'Kite.Line', resolvedVersion: '1.2.0', vulnerabilities: [{ severity }] });

test('A vulnerable package of C# is found once, however deep it stands and however many projects use it', () => {
  const frameworks = [{ topLevelPackages: [], transitivePackages: [ofSeverity('High'), ofSeverity('Low')] }];
  assert.deepEqual(ofNuGet({ projects: [{ frameworks }, { frameworks }, {}] }), ['Kite.Line 1.2.0']);
  assert.deepEqual(ofNuGet({ projects: [{}] }), []);
  assert.equal(ofNuGet(null), null);
});

test('A vulnerable package of the client is found, and silence is no finding', () => {
  const vulnerabilities = { reel: { severity: 'critical', range: '<2' }, tail: { severity: 'low', range: '*' } };
  assert.deepEqual(ofNpm({ metadata: { vulnerabilities: {} }, vulnerabilities }), ['reel <2']);
  assert.equal(ofNpm({ error: 'no answer' }), null);
});
