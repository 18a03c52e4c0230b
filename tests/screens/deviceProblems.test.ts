/** Problems of devices, as device lists give them, and what is said of each. */
import { expect } from 'chai';
import { ProblemList, readDeviceList } from '$core/read';
import { deviceProblemIn } from '$core/standards';
import { DEVICE_PROBLEM_WORDS } from '$words/deviceProblems';

describe('Problems of devices', () => {
  it('are known by number and by name, and nothing else is taken for one', () => {
    const known = ['Error, 28', 'CM_PROB_FAILED_INSTALL', 'Problem (43)', '10', 'Error, 52'];
    expect(known.map(deviceProblemIn)).to.deep.equal([28, 28, 43, 10, 52]);
    for (const other of ['Error', 'Unknown, 0', 'Degraded, 99', 'CM_PROB_SOMETHING', 'Error 1028'])
      expect(deviceProblemIn(other), other).to.equal(null);
  });

  it('come out of a list with what they mean and what to do next', () => {
    const rows = Object.keys(DEVICE_PROBLEM_WORDS).map((code) => ({
      InstanceId: `PCI\\VEN_F1A1&DEV_20${code}\\3`,
      Name: `Device ${code}`,
      Status: 'Error',
      ConfigManagerErrorCode: Number(code),
    }));
    const { inTrouble } = readDeviceList(JSON.stringify(rows), new ProblemList());
    expect(inTrouble).to.have.length(rows.length);
    for (const { name, status } of inTrouble) {
      const problem = deviceProblemIn(status);
      expect(`Device ${problem}`).to.equal(name);
      const { means, next } = DEVICE_PROBLEM_WORDS[problem!];
      expect(`${means} ${next}`).to.match(/^[A-Z].+\. .+\.$/);
    }
    expect(DEVICE_PROBLEM_WORDS[28].means).to.equal('No driver is installed.');
  });
});
