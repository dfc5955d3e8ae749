export { mayHelp, searchFixes, type Fix, type FixSearch } from './search-fixes';
export { leadWell } from './lead-well';
export { placedBy, triedWith, withChanges } from './trial';
export { settleAll, type SettledAll, type SettledBy, type SettleSearch } from './settle-all';
