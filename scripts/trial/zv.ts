import { readFileSync } from 'node:fs';
import { solveFly, water } from '../../core/src/model/index.ts';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { WaterFly } from '../../core/src/water/fly.ts';
import { Current } from '../../core/src/water/current.ts';
import { fish, USUAL_FISHING, type Fishing } from '../../core/src/water/fish.ts';
import { readLine, tackleOut, USUAL_LEADER } from '../../core/src/water/tackle.ts';
const W = water();
const s = solveFly(JSON.parse(readFileSync('examples/slate-runner.fly.json','utf8')), NOMINAL_DRAWERS);
if (!s.ok) throw 1;
for (const [label, fishing, lineText, fixed] of [['hang tip1000',{manner:'hang'},'floating',false],['hang tip0',{manner:'hang',rodTipMm:0},'floating',false],['hang sinking tip0',{manner:'hang',rodTipMm:0},'sinking:100 mm/s',false],['hang tip1000 fixed attitude',{manner:'hang'},'floating',true]] as [string, Partial<Fishing>, string, boolean][]) {
  const line = readLine(lineText); if(!line.ok) throw 1;
  const pieces = tackleOut(line.value, USUAL_LEADER, 10000, W); if(!pieces.ok) throw 1;
  const current = new Current({ depthMm: 2000, meanMmS: 600, roughnessMm: 50, bankShare: 1, widthMm: 20000 });
  const f = new WaterFly(s.value.laid);
  if (fixed) (f as any).settle = () => {};
  const g = fish(f, { current, water: W, pieces: pieces.value, fishing: { ...USUAL_FISHING, ...fishing, seconds: 12 } });
  let r = g.next(); while (!r.done) r = g.next();
  console.log(label, r.value.steps, r.value.moments.slice(100,118).map(m=>m.pullMg.toFixed(0)+'/'+m.noseDownDeg.toFixed(0)+'/'+m.fly[2].toFixed(0)).join(' '));
  const last = r.value.moments.at(-1)!; console.log('   z', Array.from({length: last.nodes.length/3},(_,i)=>last.nodes[3*i+2]!.toFixed(1)).join(' '));
  const l2 = r.value.moments.at(-2)!; console.log('   z', Array.from({length: l2.nodes.length/3},(_,i)=>l2.nodes[3*i+2]!.toFixed(1)).join(' '));
}
