/** A job as it goes out of the house: with nothing in it that was not chosen. */
import { withoutNumber } from '../drivers/deviceAsked.ts';
import type { Job } from '../parts/job.ts';
import type { DevicesObservation } from '../parts/observation.ts';

export interface ExportChoice {
  /** The customer's name, wherever it stands. */
  readonly customer: boolean;
  /** Numbers by which a single device is known. */
  readonly serials: boolean;
  readonly photographs: boolean;
}

const LEFT_OUT = '…';
/** A shorter name would be found inside other words. */
const SHORTEST_NAME = 3;
/** “S/N 4711-0815”, “serial number: AB123”, as people write them. */
const SERIAL = /\b(S\/N|SN|serial(?: (?:number|no\.?))?)([ :#]{1,3})[A-Za-z0-9-]{3,60}/gi;

export function forExport(job: Job, choice: ExportChoice): Job {
  const named = choice.customer ? job : withTexts({ ...job, customer: '' }, withoutName(job));
  const { machine } = named;
  const numbered = choice.serials
    ? named
    : withTexts(
        {
          ...named,
          observations: named.observations
            .filter(({ kind }) => kind !== 'serial' && kind !== 'drive')
            .map((each) =>
              each.kind === 'devices' ? { ...each, value: withoutNumbers(each.value) } : each,
            ),
          needs: named.needs.map((need) =>
            need.kind === 'drives'
              ? { ...need, these: need.these.map((drive) => ({ ...drive, serial: '' })) }
              : need,
          ),
          machine: {
            ...machine,
            inTrouble: machine.inTrouble.map((each) => ({ ...each, id: withoutNumber(each.id) })),
          },
        },
        (text) => text.replaceAll(SERIAL, `$1$2${LEFT_OUT}`),
      );
  return choice.photographs ? numbered : { ...numbered, photos: [] };
}

function withoutName({ customer }: Job): (text: string) => string {
  const name = customer.trim();
  // What stands behind a comma is where they are.
  const names = [name, name.split(',')[0] ?? ''].filter((each) => each.length >= SHORTEST_NAME);
  return (text) => names.reduce((left, each) => left.replaceAll(each, LEFT_OUT), text);
}

const withoutNumbers = ({ list, ...value }: DevicesObservation['value']) => ({
  ...value,
  list: list.map((each) => ({ ...each, id: withoutNumber(each.id) })),
});

/** The job with every text changed that a technician writes. */
const withTexts = (job: Job, change: (text: string) => string): Job => ({
  ...job,
  title: change(job.title),
  notes: change(job.notes),
  machine: {
    ...job.machine,
    name: change(job.machine.name),
    damage: job.machine.damage.map((each) => ({ ...each, what: change(each.what) })),
  },
  needs: job.needs.map((need) => ({ ...need, words: change(need.words) })),
  photos: job.photos.map((photo) => ({ ...photo, words: change(photo.words) })),
  observations: job.observations.map((each) => ({
    ...each,
    conditions: change(each.conditions),
    ...(each.kind === 'run' ? { variant: change(each.variant) } : {}),
  })),
  log: job.log.map((entry) => ({ ...entry, detail: change(entry.detail) })),
});
