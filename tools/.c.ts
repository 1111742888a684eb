import { readPlanText } from '@intervex/contract';
import { evaluate, stackSides, stackLimits, runStack } from '@intervex/core';
import { readFileSync } from 'node:fs';
const read = readPlanText(readFileSync('/work/main/examples/tern.json','utf8'));
if (!read.ok) throw 1;
const r = evaluate(read.file.plan); const side = r.of(stackSides).left, lim = r.of(stackLimits).left;
console.log(Object.entries(side.parts).map(([k,p])=>k+':'+p!.shape+(p!.u===0?'0':'')).join(' '));
for (let i=0;i<40;i++) runStack(side, lim, 100000, i+1);
