import { readFileSync } from 'node:fs';
import { solveFly, water } from '../../core/src/model/index.ts';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { WaterFly } from '../../core/src/water/fly.ts';
import { Current } from '../../core/src/water/current.ts';
import { Chain, segmentsOf, type Place } from '../../core/src/water/chain.ts';
import { readLine, tackleOut, USUAL_LEADER } from '../../core/src/water/tackle.ts';
const W = water();
const s = solveFly(JSON.parse(readFileSync('examples/slate-runner.fly.json','utf8')), NOMINAL_DRAWERS);
if (!s.ok) throw 1;
const line = readLine('floating'); if(!line.ok) throw 1;
const pieces = tackleOut(line.value, USUAL_LEADER, 18000, W); if(!pieces.ok) throw 1;
const current = new Current({ depthMm: 2000, meanMmS: 600, roughnessMm: 50, bankShare: .55, widthMm: 20000 });
const f = new WaterFly(s.value.laid);
const segs = segmentsOf(pieces.value, 2);
let g=0; const sl=1000*Math.SQRT2;
const places: Place[] = [0,...segs.map(x=>x.lengthMm)].map(x=>{g+=x; const [o,u]=g<sl?[g/Math.SQRT2,1000-g/Math.SQRT2]:[1000+g-sl,0]; return [o*Math.SQRT1_2,o*Math.SQRT1_2,u]});
const c = new Chain(segs, places, { current, water: W, fly: () => f.body(), float: null });
let last = 0;
for (let k=0;k<1000;k++) {
  const i=3*c.flyNode; const at=c.at;
  const flow: Place=[current.at(at[i+2]!,at[i+1]!)-c.speed[i]!,-c.speed[i+1]!,-c.speed[i+2]!];
  f.settle(c.flyPullMg, c.flyWay(), flow, 0.02);
  c.advance(0.02,[0,0,1000]);
  if (c.steps-last>2 || !(c.stretched<1e-3)) { console.log('t',(k*0.02).toFixed(2),'steps',c.steps-last,'stretch',c.stretched.toExponential(1),'moved',c.moved.toFixed(2));
   const T=[...c.pull].map(x=>(x/9806.65).toFixed(0)); console.log('  T',T.join(' ')); console.log('  z',Array.from({length:c.nodes},(_,j)=>c.at[3*j+2]!.toFixed(0)).join(' ')); console.log('  vz',Array.from({length:c.nodes},(_,j)=>c.speed[3*j+2]!.toFixed(0)).join(' ')); }
  last=c.steps;
  if (!(c.stretched<0.02)) break;
}
