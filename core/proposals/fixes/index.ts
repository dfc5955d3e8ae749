export { mayHelp, searchFixes, type Fix, type FixSearch } from './search-fixes';
export { leadWell } from './lead-well';
export { settleAll, type SettledAll, type SettledBy, type SettleSearch } from './settle-all';
