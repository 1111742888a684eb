import { computing, drawing } from './bench/computing';
for (const f of [...computing(), drawing()]) console.log(f.name, f.value.toFixed(3), f.unit, '/', f.yardstick?.value.toFixed(3), '=', (f.value/(f.yardstick?.value ?? 1)).toFixed(2));
