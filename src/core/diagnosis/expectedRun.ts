/** What a need should show by the way it is measured: the other direction, one drive alone, small files, the wire without drives. */
import { flowInstead, type Expectation } from '../assembly/expectations.ts';
import type { Flow, FlowStage } from '../kinds/flow.ts';
import type { Job } from '../document/job.ts';
import { needKindOf } from '../kinds/need.ts';
import type { StageCode } from '../kinds/stages.ts';
import type { Band } from '../placement/slotLink.ts';
import { FILE_SECONDS, SMALL_FILE_BYTES, withFileCost } from '../standards/fileOverhead.ts';
import type { RunTest } from '../parts/run.ts';

/** Stages that a measurement from memory to memory does not touch. */
const DRIVES: readonly StageCode[] = ['ownDrive', 'ownDrivePort', 'farDrive', 'usbDevice'];

/** Null where nothing of the kind is to be expected. */
export function expectedRun(expectation: Expectation, job: Job, test: RunTest): Flow | null {
  const large = withoutFileCost(expectation, job, test);
  return large === null || test.what !== 'small' ? large : ofSmallFiles(large, test);
}

/** The same as if it were one large file: what each stage lets through of many small ones is reckoned from it. */
export function withoutFileCost(expectation: Expectation, job: Job, test: RunTest): Flow | null {
  const asked = asMeasured(expectation, job, test);
  if (asked === null || asked.unit !== 'B/s' || test.what !== 'wire') return asked;
  const stages = asked.stages.filter(({ code }) => !DRIVES.includes(code));
  return stages.length === 0 ? null : withStages(asked, stages);
}

/** The flow in the direction and company in which it was measured. */
function asMeasured(expectation: Expectation, job: Job, test: RunTest): Flow | null {
  const { need, flow } = expectation;
  const isAsked = test.direction === null || test.direction === needKindOf(need).direction(need);
  if (flow === null || (isAsked && !test.alone)) return flow;
  const measured = needKindOf(need).asMeasured(need, test);
  return measured === need ? flow : (flowInstead(expectation, measured, job) ?? flow);
}

function withStages(flow: Flow, stages: readonly FlowStage[]): Flow {
  const low = flow.gain.low * Math.min(...stages.map((stage) => stage.low));
  const high = flow.gain.high * Math.min(...stages.map((stage) => stage.high));
  const narrowest = stages.find((stage) => stage.high * flow.gain.high === high);
  return {
    ...flow,
    stages,
    low,
    high,
    limiting: narrowest?.code ?? null,
    limitingHop: narrowest?.hop ?? null,
  };
}

/** What comes through of many small files where so much comes through of a large one. */
export function bandOfSmallFiles(
  { low, high }: Band,
  flow: Flow,
  { fileBytes }: Pick<RunTest, 'fileBytes'>,
): Band {
  const [least, most] = FILE_SECONDS[needKindOf(flow.need).files(flow.need)];
  const size = fileBytes ?? SMALL_FILE_BYTES;
  return { low: withFileCost(low, size, most), high: withFileCost(high, size, least) };
}

const ofSmallFiles = (flow: Flow, test: RunTest): Flow =>
  withStages(
    flow,
    flow.stages.map((stage) => ({ ...stage, ...bandOfSmallFiles(stage, flow, test) })),
  );
