import { signal } from '@angular/core';

/** Where the axle is put on the page: up from ride height, mm, and roll, rad. No part of the plan. */
export const pose = signal<{ readonly z: number; readonly roll: number }>({ z: 0, roll: 0 });
