<script lang="ts">
  /** What documents and people say of a card: what it is, what it is about, who says so and when. */
  import { Button, Select, SelectItem, TextInput } from 'carbon-components-svelte';
  import { STATEMENT_KINDS, Statement, statementThat } from '$core/parts';
  import { SYSTEM_FAMILIES } from '$core/standards';
  import { STATEMENT_WORDS } from '$words/choices';
  import { SYSTEM_FAMILY_WORDS } from '$words/things';
  import { statements as texts } from '$words/catalogue';

  let {
    statements,
    onchange,
  }: {
    statements: readonly Statement[];
    onchange: (statements: readonly Statement[]) => void;
  } = $props();

  const NEW = statementThat('listed');
  const TEXTS = [
    ['machine', texts.machine, texts.any],
    ['source', texts.whoSaysSo, ''],
    ['slot', texts.slot, texts.any],
    ['card', texts.besideTheCard, texts.any],
    ['date', texts.date, 'YYYY-MM-DD'],
  ] as const;
  /** What is typed and is no date, by the statement's place. */
  let wrongDates = $state<Readonly<Record<number, string>>>({});

  const chosen = (event: CustomEvent) => String(event.detail);
  const put = (at: number, told: Partial<Statement>) =>
    onchange(statements.map((each, n) => (n === at ? { ...each, ...told } : each)));

  function type(at: number, field: (typeof TEXTS)[number][0], text: string) {
    const told = field === 'date' && text === '' ? null : text;
    const isRight = Statement.shape[field].safeParse(told).success;
    if (field === 'date') wrongDates = { ...wrongDates, [at]: isRight ? '' : text };
    if (isRight) put(at, { [field]: told });
  }

  function remove(at: number) {
    wrongDates = {};
    onchange(statements.filter((_, n) => n !== at));
  }
</script>

<fieldset>
  <legend>{texts.whatIsSaidOfIt}</legend>
  {#each statements as statement, at (at)}
    <div class="one">
      <Select
        id="said-{at}-kind"
        size="sm"
        labelText={texts.itSays}
        selected={statement.says}
        on:update={(event) =>
          put(at, { says: STATEMENT_KINDS.find((kind) => kind === chosen(event)) ?? 'listed' })}
      >
        {#each STATEMENT_KINDS as kind (kind)}
          <SelectItem value={kind} text={STATEMENT_WORDS[kind]} />
        {/each}
      </Select>
      <Select
        id="said-{at}-system"
        size="sm"
        labelText={texts.system}
        selected={statement.system ?? ''}
        on:update={(event) =>
          put(at, { system: SYSTEM_FAMILIES.find((each) => each === chosen(event)) ?? null })}
      >
        <SelectItem value="" text={texts.any} />
        {#each SYSTEM_FAMILIES as family (family)}
          <SelectItem value={family} text={SYSTEM_FAMILY_WORDS[family]} />
        {/each}
      </Select>
      {#each TEXTS as [field, label, placeholder] (field)}
        <div class:wide={field === 'machine' || field === 'source'}>
          <TextInput
            id="said-{at}-{field}"
            size="sm"
            labelText={label}
            {placeholder}
            value={(field === 'date' && wrongDates[at]) || (statement[field] ?? '')}
            invalid={field === 'date' && Boolean(wrongDates[at])}
            invalidText={texts.aDateSuchAs2026}
            on:change={(event) => type(at, field, String(event.detail ?? '').trim())}
          />
        </div>
      {/each}
      <Button size="small" kind="ghost" on:click={() => remove(at)}
        >{texts.remove}<span class="only-read">&nbsp;{texts.statement(at + 1)}</span></Button
      >
    </div>
  {/each}
  <Button size="small" kind="tertiary" on:click={() => onchange([...statements, NEW])}
    >{texts.addWhatIsSaid}</Button
  >
</fieldset>

<style>
  fieldset {
    grid-column: 1 / -1;
    border: 0;
    padding: 0;
    margin: 0.375rem 0;
  }
  legend {
    font-size: 0.875rem;
    font-weight: 600;
    margin-bottom: 0.375rem;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .one {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.625rem;
    align-items: start;
    padding: 0 0 0.75rem 0.625rem;
    margin-bottom: 0.75rem;
    border-left: 3px solid var(--cds-ui-04);
  }
</style>
