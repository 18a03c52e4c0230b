/** The panel of each stage, fetched when the stage is first opened. */
import type { Component } from 'svelte';
import type { Stage } from '$core/document';
import type { JobModel } from './jobModel.svelte';

type Panel = Component<{ model: JobModel; stage: Stage }>;

export const PANELS: Readonly<Record<Stage, () => Promise<{ default: Panel }>>> = {
  survey: () => import('./survey/SurveyStage.svelte'),
  needs: () => import('./needs/NeedsStage.svelte'),
  choose: () => import('./choose/ChooseStage.svelte'),
  prepare: () => import('./prepare/PrepareStage.svelte'),
  fit: () => import('./fit/FitStage.svelte'),
  drivers: () => import('./drivers/DriversStage.svelte'),
  prove: () => import('./prove/ProveStage.svelte'),
  'hand-over': () => import('./hand-over/HandOverStage.svelte'),
};
