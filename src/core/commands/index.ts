/** What other rooms than the core's take of this one. */
export {
  type Command,
  type CommandName,
  LOG_SHORTENED,
  apply,
  hasChangedSincePlan,
  restore,
} from './commands.ts';
