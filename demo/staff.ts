/** Invented people of the demo shop. */
export const STAFF = [
  { id: 'ama', login: 'ama', name: 'Ama Lindqvist', role: 'front desk', password: 'quay-street' },
  { id: 'mara', login: 'mara', name: 'Mara Voss', role: 'rigger', password: 'bench-one' },
  { id: 'tom', login: 'tom', name: 'Tom Hale', role: 'rigger', password: 'bench-two' },
  { id: 'idris', login: 'idris', name: 'Idris Kell', role: 'manager', password: 'slack-tide' },
] as const;
