import type { Role } from '@/core/people/roles';

/** The people of Gullwharf Renewal, all invented. Their PINs are for the demo only. */
export const demoPeople: readonly { readonly name: string; readonly role: Role; readonly pin: string }[] = [
  { name: 'Imke R.', role: 'technician', pin: '2468' },
  { name: 'Sunniva T.', role: 'lead', pin: '1357' },
  { name: 'Oskar V.', role: 'technician', pin: '2580' },
  { name: 'Petra L.', role: 'technician', pin: '1470' },
  { name: 'Joris K.', role: 'technician', pin: '3690' },
  { name: 'Mirel A.', role: 'lead', pin: '9876' },
  { name: 'Tova B.', role: 'viewer', pin: '5555' },
];
