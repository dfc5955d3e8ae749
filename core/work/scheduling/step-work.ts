/** What is done in a step. */
export type StepWork =
  | 'receive'
  | 'measure'
  | 'tape'
  | 'strip'
  | 'make'
  | 'agree'
  | 'drill'
  | 'fasten'
  | 'cure'
  | 'pull'
  | 'end'
  | 'test'
  | 'fit'
  | 'lead'
  | 'weigh'
  | 'hose'
  | 'photos';
