<script lang="ts">
  /** What the machine talks to, and over what: hop by hop, the drives at both ends, the radio, the internet plan. */
  import {
    COPY_DRIVES,
    DISTANCES,
    PROCESSOR_CLASSES,
    RADIO_STANDARDS,
    SATA_PORTS,
  } from '$core/standards';
  import { emptyHop, type Hop } from '$core/parts';
  import { freeNumber, type Machine } from '$core/document';
  import { COPY_DRIVE_WORDS } from '$words/facts';
  import { DISTANCE_WORDS, PROCESSOR_WORDS, RADIO_WORDS } from '$words/networkPath';
  import FactField from './FactField.svelte';
  import { FIELD } from './factFields';
  import { ARRAY_FIELD, choiceField, numberField } from './fields';
  import HopForm from './HopForm.svelte';
  import PathPicture from './PathPicture.svelte';
  import { pathForm as texts } from '$words/stages/survey';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();

  const DRIVE = choiceField(COPY_DRIVES.map((drive) => [drive, COPY_DRIVE_WORDS[drive]] as const));
  const SATA_PORT = choiceField(SATA_PORTS.map((port) => [port, texts.sataGbS(port)] as const));
  const PROCESSOR = choiceField(
    PROCESSOR_CLASSES.map((age) => [age, PROCESSOR_WORDS[age]] as const),
  );
  const STANDARD = choiceField(RADIO_STANDARDS.map((each) => [each, RADIO_WORDS[each]] as const));
  const DISTANCE = choiceField(DISTANCES.map((each) => [each, DISTANCE_WORDS[each]] as const));
  const CHANNEL = choiceField(
    [20, 40, 80, 160, 320].map((width) => [width, texts.mhz(width)] as const),
  );
  const STREAMS = numberField(texts.aNumberOfStreams, 'accessPoint.streams');
  const RATE = FIELD['path.internetMegabits'];

  const path = $derived(machine.path);
  const radio = $derived(machine.accessPoint);
  const put = (fresh: Partial<Machine['path']>) =>
    change({ ...machine, path: { ...path, ...fresh } });
  const putRadio = (fresh: Partial<Machine['accessPoint']>) =>
    change({ ...machine, accessPoint: { ...radio, ...fresh } });
  const putHops = (hops: readonly Hop[]) => put({ hops });

  /** What was just added is filled in next. */
  let added = $state('');

  function insert(position: number) {
    const n = freeNumber(path.hops, (n) => `hop${n}`);
    putHops(path.hops.toSpliced(position, 0, emptyHop(`hop${n}`)));
    added = `hop${n}`;
  }
</script>

<div class="pairs">
  <h3>{texts.networkPath}</h3>
  <PathPicture {path} />
  {#each path.hops as hop, n (hop.id)}
    <HopForm
      {hop}
      position={n + 1}
      isLast={n === path.hops.length - 1}
      isOpen={path.hops.length === 1 || hop.id === added}
      onchange={(fresh) => putHops(path.hops.map((each) => (each.id === hop.id ? fresh : each)))}
      oninsert={() => insert(n)}
      onremove={path.hops.length > 1
        ? () => putHops(path.hops.filter(({ id }) => id !== hop.id))
        : undefined}
    />
  {/each}
  <h3>{texts.atItsTwoEnds}</h3>
  <FactField
    id="fact-path-ownMegabits"
    label={texts.linkSpeedNow}
    fact={path.ownMegabits}
    kind={RATE}
    onchange={(ownMegabits) => put({ ownMegabits })}
  />
  <FactField
    id="fact-path-processor"
    label={texts.ageOfTheProcessor}
    fact={path.processor}
    kind={PROCESSOR}
    onchange={(processor) => put({ processor })}
  />
  <FactField
    id="fact-path-ownDrive"
    label={texts.localDrive}
    fact={path.ownDrive}
    kind={DRIVE}
    onchange={(ownDrive) => put({ ownDrive })}
  />
  <FactField
    id="fact-path-ownDrivePort"
    label={texts.itsPort}
    fact={path.ownDrivePort}
    kind={SATA_PORT}
    onchange={(ownDrivePort) => put({ ownDrivePort })}
  />
  <FactField
    id="fact-path-ownArray"
    label={texts.raidLevel}
    fact={path.ownArray}
    kind={ARRAY_FIELD}
    onchange={(ownArray) => put({ ownArray })}
  />
  <FactField
    id="fact-path-farDrive"
    label={texts.driveAtTheFarEnd}
    fact={path.farDrive}
    kind={DRIVE}
    onchange={(farDrive) => put({ farDrive })}
  />
  <FactField
    id="fact-path-farArray"
    label={texts.raidLevelAtTheFar}
    fact={path.farArray}
    kind={ARRAY_FIELD}
    onchange={(farArray) => put({ farArray })}
  />
  <h3>{texts.radioAndInternet}</h3>
  <FactField
    id="fact-accessPoint-standard"
    label={texts.accessPoint}
    fact={radio.standard}
    kind={STANDARD}
    onchange={(standard) => putRadio({ standard })}
  />
  <FactField
    id="fact-accessPoint-bands"
    label={texts.itsBandsGhz}
    fact={radio.bands}
    kind={FIELD['accessPoint.bands']}
    onchange={(bands) => putRadio({ bands })}
  />
  <FactField
    id="fact-accessPoint-channelMhz"
    label={texts.channelWidth}
    fact={radio.channelMhz}
    kind={CHANNEL}
    onchange={(channelMhz) => putRadio({ channelMhz })}
  />
  <FactField
    id="fact-accessPoint-streams"
    label={texts.streams}
    fact={radio.streams}
    kind={STREAMS}
    onchange={(streams) => putRadio({ streams })}
  />
  <FactField
    id="fact-accessPoint-distance"
    label={texts.distance}
    fact={radio.distance}
    kind={DISTANCE}
    onchange={(distance) => putRadio({ distance })}
  />
  <FactField
    id="fact-accessPoint-wireMegabits"
    label={texts.itsOwnWire}
    fact={radio.wireMegabits}
    kind={RATE}
    onchange={(wireMegabits) => putRadio({ wireMegabits })}
  />
  <FactField
    id="fact-path-internetMegabits"
    label={texts.internetPlan}
    fact={path.internetMegabits}
    kind={RATE}
    onchange={(internetMegabits) => put({ internetMegabits })}
  />
</div>

<style>
  h3 {
    grid-column: 1 / -1;
  }
</style>
