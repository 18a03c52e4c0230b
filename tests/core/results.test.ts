/** Results of measurements as their tools print them, and whose need they are of. Texts as documented; what runs here is tried in the references. */
import { expect } from 'chai';
import { drives, network, usb, wifi } from '../../demo/catalogue/row.ts';
import { apply } from '../../src/core/commands/index.ts';
import {
  diagnoses,
  mainGroup,
  observeResults,
  provings,
  runGroups,
} from '../../src/core/diagnosis/index.ts';
import { enteredRun, type Job, type RunObservation } from '../../src/core/document/index.ts';
import { expectations } from '../../src/core/assembly/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { readEvidence, typedNumber, type Evidence } from '../../src/core/read/index.ts';
import { AT, STAMP, aCard, aJob, aMachine, aSlot, networkNeed, told } from '../builders/parts.ts';
import { seating } from '../builders/acts';

const read = (content: string, name = 'result.txt'): Evidence => readEvidence([{ name, content }]);
const only = (content: string) => read(content).results[0];

describe('Results of measurements', () => {
  it('are read from what dd prints on every system, in other languages too', () => {
    // coreutils 9.1 and its translations; FreeBSD; BusyBox (from memory of what they print).
    for (const text of [
      '1073741824 bytes (1.1 GB, 1.0 GiB) copied, 4 s, 268 MB/s',
      '1073741824 Bytes (1,1 GB, 1,0 GiB) kopiert, 4,0 s, 268 MB/s',
      '1073741824 octets (1,1 GB, 1,0 GiB) copiés, 4 s, 268 MB/s',
      '1073741824 bytes transferred in 4.000 secs (268435456 bytes/sec)',
      '1073741824 bytes (1.0GB) copied, 4.000000 seconds, 256.0MB/s',
    ])
      expect(only(`1024+0 records in\n1024+0 records out\n${text}\n`), text).to.deep.include({
        of: 'copy',
        what: 'large',
        bytesPerSecond: 268_435_456,
        bytes: 1_073_741_824,
        seconds: 4,
      });
    expect(read('64+0 records in\n64+0 records out\n').files[0]!.problems[0]).to.include({
      code: 'result.nothingMeasured',
    });
    expect(read('5 bytes (5 B) copied, 0 s, 0 kB/s').files[0]!.problems[0]).to.include({
      code: 'result.noTime',
      line: 1,
    });
  });

  it('are read from the last lines of other copy tools, behind whatever they copied', () => {
    const many = 'folder/picture.raw\n'.repeat(9_000);
    expect(
      only(`${many}\nsent 143,165,593 bytes  received 35 bytes  28,633,125.60 bytes/sec\n`),
    ).to.deep.include({ words: 'rsync', bytesPerSecond: 28_633_125.6 });
    expect(only('\rprobe.bin     100% 1024MB 112.0MB/s   00:09\n')).to.deep.include({
      words: 'scp',
      bytesPerSecond: 112 * 2 ** 20,
    });
    for (const line of [
      '   Speed :           117440512 Bytes/sec.',
      '   Speed :         117,440,512 Bytes/sec.',
      '   Geschwindigkeit: 117.440.512 Bytes/Sek.',
    ])
      expect(only(`${many}\n${line}\n   Ended : today\n`), line).to.include({
        words: 'robocopy',
        bytesPerSecond: 117_440_512,
      });
  });

  it('tell band and rate of the radio, and neither the network’s name nor any address', () => {
    const iw = `Connected to 02:11:22:33:44:55 (on wlan0)\n\tSSID: Saltmarrow\n\tfreq: 5180\n\tsignal: -52 dBm\n\trx bitrate: 702.0 MBit/s VHT-MCS 8 80MHz\n\ttx bitrate: 866.7 MBit/s VHT-MCS 9 80MHz\n`;
    expect(read(iw).results).to.deep.equal([{ kind: 'radio', gigahertz: 5, megabits: 866.7 }]);
    const netsh = `    Radio type             : 802.11n\n    Channel                : 6\n    Receive rate (Mbps)    : 144.4\n    Transmit rate (Mbps)   : 72\n`;
    expect(read(netsh).results).to.deep.equal([{ kind: 'radio', gigahertz: 2.4, megabits: 144.4 }]);
    expect(JSON.stringify(read(iw).results)).to.not.match(/Saltmarrow|02:11/);
  });

  it('tell a drive’s temperature and wear', () => {
    // NVM Express: kelvin; smartctl: degrees Celsius.
    expect(
      only('{"critical_warning":0,"temperature":311,"avail_spare":100,"percent_used":7}'),
    ).to.deep.equal({ kind: 'drive', celsius: 38, wornPercent: 7 });
    const smart = JSON.stringify({
      smartctl: {},
      model_name: 'Skerry 2',
      user_capacity: { bytes: 2e12 },
      temperature: { current: 71 },
      nvme_smart_health_information_log: { data_units_written: 7_031_250, percentage_used: 90 },
    });
    expect(only(smart)).to.deep.equal({ kind: 'drive', celsius: 71, wornPercent: 90 });
  });

  it('are read from a table by the names of its columns, with a place for each row that has no figure', () => {
    const table = 'Test;MB/s;Direction\nlarge;112,5;write\nsmall;none;write\nsmall;14;read\n';
    const { results, files } = read(table, 'runs.csv');
    expect(
      results.map(
        (each) => each.kind === 'rate' && [each.what, each.direction, each.bytesPerSecond],
      ),
    ).to.deep.equal([
      ['large', 'write', 112.5e6],
      ['small', 'read', 14e6],
    ]);
    expect(files[0]!.problems).to.deep.equal([
      { code: 'result.noFigure', line: 3, found: 'small, none, write' },
    ]);
    expect(only('bytes,ms,files\n1000000000,8000,250\n')).to.deep.include({
      bytesPerSecond: 125e6,
      seconds: 8,
      files: 250,
    });
  });

  it('that are damaged are located and change nothing', () => {
    const codes = (text: string) => read(text).files[0]!.problems.map(({ code }) => code);
    expect(codes('{"start":{"version":"iperf 3.12"},"end":{"sum_se')).to.deep.equal([
      'result.unreadable',
    ]);
    expect(codes('{"fio version":"fio-3.33","jobs":3}')).to.deep.equal(['result.unreadable']);
    expect(codes('{"start":{"version":"iperf 3.12"},"end":{}}')).to.deep.equal([
      'result.nothingMeasured',
    ]);
    expect(codes('{"avail_spare":1,"temperature":1e9}')).to.deep.equal(['result.unreadable']);
  });
});

describe('Whose need was measured', () => {
  const job = (...needs: readonly Parameters<typeof plainNeed>[0][]): Job => {
    const cards = {
      network: aCard({ id: 'n', lanes: 4, delivers: network(1, [1000, 2500]) }),
      drives: aCard({ id: 'd', lanes: 4, delivers: drives(2, 'sata') }),
      usb: aCard({ id: 'u', delivers: usb(4, '3.2-1', 900) }),
      wifi: aCard({ id: 'w', delivers: wifi(1201, false, ['2.4', '5']) }),
    };
    const slots = needs.map((_, n) => aSlot(n + 1));
    return aJob(
      { name: 'takeTemplate', machine: aMachine(slots) },
      ...needs.map((kind) => ({ name: 'addNeed', need: plainNeed(kind, kind) }) as const),
      {
        name: 'acceptPlan',
        placements: needs.map((kind, n) => ({
          slotId: `s${n + 1}`,
          card: cards[kind as keyof typeof cards],
        })),
        packages: [],
      },
      ...needs.map(
        (kind, n) =>
          ({
            name: 'tickStep',
            of: seating(cards[kind as keyof typeof cards], `s${n + 1}`),
          }) as const,
      ),
    );
  };
  const DD = '1073741824 bytes (1.1 GB, 1.0 GiB) copied, 4 s, 268 MB/s';

  it('is taken from what the tool measures, and asked where it may be several', () => {
    const one = observeResults(job('network'), read(DD), AT);
    expect(one.open).to.deep.equal([]);
    expect(one.observations[0]).to.deep.include({
      kind: 'run',
      subject: { needId: 'network' },
      what: 'large',
    });
    const several = observeResults(job('network', 'usb', 'drives'), read(DD), AT);
    expect(several.observations).to.deep.equal([]);
    expect(several.open[0]!.needIds).to.deep.equal(['network', 'usb', 'drives']);
    const wire =
      '{"start":{"version":"iperf 3.12","test_start":{"reverse":1}},"end":{"sum_received":{"bytes":1e9,"seconds":10,"bits_per_second":8e8}}}';
    const [run] = observeResults(job('network', 'usb', 'wifi'), read(wire), AT).observations;
    expect(run).to.deep.include({
      what: 'wire',
      direction: 'read',
      value: 1e8,
      subject: { needId: 'network' },
    });
  });

  it('of radio and drives are readings and answers', () => {
    const radio = read(
      'Connected to 02:11:22:33:44:55 (on wlan0)\n\tfreq: 2437\n\ttx bitrate: 72.2 MBit/s\n',
    );
    expect(observeResults(job('wifi'), radio, AT).observations[0]).to.deep.include({
      kind: 'check',
      value: { part: 'radio', check: 'readRadio', answer: 'otherBand' },
    });
    const warm = read('{"temperature":345,"avail_spare":100,"percent_used":7}');
    expect(
      observeResults(job('drives'), warm, AT).observations.map(({ value }) => value),
    ).to.deep.equal([
      { what: 'temperature', number: 72 },
      { what: 'wornPercent', number: 7 },
    ]);
  });

  it('is one from before the work while no card is in', () => {
    const before: Job = { ...job('network'), acts: [] };
    expect(observeResults(before, read(DD), AT).observations[0]).to.include({ phase: 'before' });
  });
});

describe('Runs', () => {
  const need = networkNeed(250e6);
  const runs = (...values: readonly number[]): readonly RunObservation[] =>
    values.map((value, n) => enteredRun(need.id, value * 1e6, AT, { n, what: 'large' }));

  it('are put together by how they were made, with median, quartiles and what lies far off', () => {
    // Quartiles as R’s type 7 gives them: of 1 to 5 they are 2 and 4.
    const [group] = runGroups(runs(1, 2, 3, 4, 5), need);
    expect(group).to.deep.include({
      median: 3e6,
      quartiles: [2e6, 4e6],
      outliers: [],
      falls: false,
    });
    const far = runGroups(runs(110, 111, 112, 113, 30), need)[0]!;
    expect(far.outliers.map(({ value }) => value)).to.deep.equal([30e6]);
    expect(far.median).to.equal(111e6);
    expect(runGroups(runs(900, 400, 390), need)[0]!.falls).to.equal(true);
  });

  it('of the other direction, alone, cold or with a setting tried are by themselves, and do not answer the need', () => {
    const groups = runGroups(
      [
        ...runs(240, 250, 260),
        enteredRun(need.id, 90e6, AT, { n: 7, what: 'large', direction: 'read' }),
        enteredRun(need.id, 70e6, AT, { n: 8, what: 'large', alone: true }),
        enteredRun(need.id, 60e6, AT, { n: 9, what: 'large', isCold: true }),
        enteredRun(need.id, 50e6, AT, { n: 10, what: 'large', variant: 'jumbo frames' }),
        enteredRun(need.id, 20e6, AT, { n: 11, what: 'small' }),
      ],
      need,
    );
    expect(groups).to.have.length(6);
    expect(mainGroup(groups, need)?.median).to.equal(250e6);
  });

  it('of the customer’s own files are large or small once they are counted', () => {
    const told = (bytes: number, files: number) =>
      runGroups([enteredRun(need.id, 1e6, AT, { what: 'own', bytes, files })], need)[0]!.test;
    expect(told(4e9, 2)).to.include({ what: 'large', fileBytes: null });
    expect(told(4e9, 40_000)).to.include({ what: 'small', fileBytes: 100_000 });
  });
});

describe('What is expected by the way of measuring', () => {
  it('is a band of its own for many small files, and a share of what each part carries alone', () => {
    const machine = aMachine([aSlot(1, { lanes: 4 })], {
      path: { ...aMachine([]).path, farDrive: told('disk') },
    });
    const card = aCard({ lanes: 4, delivers: network(1, [1000, 10000]) });
    const begun = aJob(
      { name: 'takeTemplate', machine },
      { name: 'addNeed', need: networkNeed(100e6) },
      { name: 'acceptPlan', placements: [{ slotId: 's1', card }], packages: [] },
    );
    const { flow } = expectations(begun)[0]!;
    expect(flow!.high).to.equal(210e6);
    const measured = (value: number, what: 'large' | 'small' | 'wire') =>
      provings(
        apply(
          begun,
          { name: 'observe', observations: [enteredRun('network', value, AT, { what })] },
          STAMP,
        ),
      )[0]!.groups[0]!;
    // Without the drive the wire shows what it carries.
    expect(measured(1_100e6, 'wire').judgement.outcome).to.equal('asExpected');
    expect(measured(1_100e6, 'large').judgement.outcome).to.equal('aboveExpected');
    // A hundred kilobytes each: a millisecond or six for each file beside its bytes (common practice, no source).
    expect(measured(20e6, 'small').judgement.outcome).to.equal('asExpected');
    expect(measured(20e6, 'large').judgement.outcome).to.equal('short');
    expect(diagnoses(begun).size).to.equal(0);
  });
});

describe('Numbers in tables of results', () => {
  const table = (text: string) => {
    const { results, files } = read(text, 'results.csv');
    return {
      rates: results.map((each) => (each.kind === 'rate' ? each.bytesPerSecond / 1e6 : null)),
      problems: files.flatMap(({ problems }) => problems.map(({ code, line }) => [code, line])),
    };
  };

  it('are thousands or decimals as the file shows them', () => {
    // Between commas a comma in quotation marks sets thousands apart.
    expect(table('name,MB/s\na,"1,234"\nb,98.5\n').rates).to.deep.equal([1234, 98.5]);
    expect(table('name,MB/s\na,"1,234"\n').rates).to.deep.equal([1234]);
    // Between semicolons the comma marks decimals, unless the column says otherwise.
    expect(table('name;MB/s\na;1,234\nb;98,5\n').rates).to.deep.equal([1.234, 98.5]);
    expect(table('name;MB/s\na;1.234\n').rates).to.deep.equal([1234]);
    expect(table('name;MB/s\na;1.234\nb;98.5\n').rates).to.deep.equal([1.234, 98.5]);
    expect(table('name;MB/s\na;1.234,5\nb;2.345\n').rates).to.deep.equal([1234.5, 2345]);
    expect(table('name\tbytes/s\na\t1,234,567\nb\t1,234\n').rates).to.deep.equal([
      1.234567, 0.001234,
    ]);
    // A group of thousands never begins with a nought.
    expect(table('name\tMB/s\na\t0,234\n').rates).to.deep.equal([0.234]);
    // Blanks of every width, and the apostrophe.
    for (const mark of [' ', '\u00a0', '\u202f', '’', "'"])
      expect(table(`name;MB/s\na;1${mark}234,5\n`).rates).to.deep.equal([1234.5]);
    expect(table('name;bytes;seconds\na;2.000.000.000;4,5\n').rates[0]).to.be.closeTo(444.4, 0.1);
  });

  it('that can be read two ways are not guessed, and no number is no number', () => {
    expect(table('name\tMB/s\na\t1,234\nb\t77\n')).to.deep.equal({
      rates: [77],
      problems: [['result.twoWays', 2]],
    });
    // Another column that is sure of itself settles it.
    expect(table('MB/s\tseconds\n1,234\t2.5\n').rates).to.deep.equal([1234]);
    for (const none of ['1,23,4', '1.2.3', '12,34.5.6', '1e', '--1', '0x10', 'Infinity', '1,,2'])
      expect(table(`name;MB/s\na;${none}\n`).rates, none).to.deep.equal([]);
  });
});

describe('A number that is typed', () => {
  it('has a dot or a comma for decimals, and is asked for again where it could be two', () => {
    const typed = ['1.234', '1,5', '0,125', '12', ' 7 ', '1,234.5', '1 200'].map(typedNumber);
    expect(typed).to.deep.equal([1.234, 1.5, 0.125, 12, 7, 1234.5, 1200]);
    for (const none of ['1,234', '460,000', '', 'x', '1,2,3', '--1', '1,,5'])
      expect(typedNumber(none), none).to.equal(null);
  });
});

describe('Results of hdparm', () => {
  // As hdparm 9.65 printed them of a drive of 64 MiB: cached reads are of memory, and no measurement of the drive.
  const both =
    '\n/dev/loop0:\n Timing cached reads:   13722 MB in  2.00 seconds = 6867.05 MB/sec\n' +
    ' Timing buffered disk reads:  64 MB in  0.10 seconds = 663.17 MB/sec\n';
  const direct =
    '\n/dev/loop0:\n Timing O_DIRECT disk reads:  64 MB in  0.02 seconds = 2972.18 MB/sec\n';

  it('are what came out of the drive', () => {
    for (const text of [both, direct]) {
      const { files, results } = read(text, 'drive.txt');
      expect(files[0]).to.deep.include({ kind: 'hdparm', found: 1, problems: [] });
      expect(results).to.have.length(1);
      expect(results[0]).to.include({ of: 'drive', direction: 'read', bytes: 64 * 2 ** 20 });
    }
    const [rate] = read(both, 'drive.txt').results;
    expect(rate).to.include({ seconds: 0.1, bytesPerSecond: (64 * 2 ** 20) / 0.1 });
  });

  it('say so where only memory was read', () => {
    const [file] = read(both.split('\n').slice(0, 3).join('\n'), 'drive.txt').files;
    expect(file!.problems[0]).to.include({ code: 'result.nothingMeasured' });
  });
});

describe('Results without an end', () => {
  it('of any tool are cut at the same number, and that is said', () => {
    const job = {
      jobname: 'j',
      read: { io_bytes: 1e9, bw_bytes: 5e8, runtime: 2_000 },
    };
    const fio = JSON.stringify({
      'fio version': 'fio-3.33',
      jobs: Array.from({ length: 300 }, () => job),
    });
    const dd = '1073741824 bytes (1.1 GB, 1.0 GiB) copied, 2.17 s, 495 MB/s\n'.repeat(200_000);
    for (const [name, text] of [
      ['fio.json', fio],
      ['dd.txt', dd],
    ] as const) {
      const reading = read(text, name);
      expect(reading.results.length, name).to.equal(200);
      expect(
        reading.files[0]!.problems.map(({ code }) => code),
        name,
      ).to.deep.equal(['list.tooMany']);
    }
  });
});
