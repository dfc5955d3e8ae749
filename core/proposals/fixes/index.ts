export { mayHelp, searchFixes, type Fix, type FixSearch } from './search-fixes';
export { leadWell } from './lead-well';
