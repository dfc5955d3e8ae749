/** Invented people of the demo shop. */
export const STAFF = [
  { id: 'ama', login: 'ama', name: 'Ama Lindqvist', role: 'front desk', password: 'quay-street', pin: '4406' },
  { id: 'mara', login: 'mara', name: 'Mara Voss', role: 'rigger', password: 'bench-one', pin: '7312' },
  { id: 'tom', login: 'tom', name: 'Tom Hale', role: 'rigger', password: 'bench-two', pin: '2590' },
  { id: 'idris', login: 'idris', name: 'Idris Kell', role: 'manager', password: 'slack-tide', pin: '8153' },
] as const;
