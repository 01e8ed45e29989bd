import { readFileSync, readdirSync } from 'node:fs';
import { solveFly, restAndSink, balanceModel, droopAt } from '../../core/src/model/index.ts';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { WaterFly } from '../../core/src/water/fly.ts';
for (const f of readdirSync('examples').filter(f=>f.endsWith('.fly.json'))) {
  const s = solveFly(JSON.parse(readFileSync('examples/'+f,'utf8')), NOMINAL_DRAWERS);
  if (!s.ok) { console.log(f, s.faults); continue; }
  const laid = s.value.laid;
  const t0=performance.now();
  const w = new WaterFly(laid);
  const t1=performance.now();
  const { trim, sink } = restAndSink(balanceModel(laid));
  w.settle(0, [-1,0,0], [0,0,sink!.terminal]);
  const free = w.lies.noseDownDeg;
  const drag = w.dragMg(sink!.terminal);
  const out=[];
  for (const v of [100,300,600]) { const w2=new WaterFly(laid); 
    // steady tow at v : pull = horizontally weight+drag
    let p=[-1,0,0] as [number,number,number], T=laid.submergedMg;
    for(let k=0;k<10;k++){ const D=w2.dragMg(v); T=Math.hypot(D,laid.submergedMg); p=[-D/T,0,laid.submergedMg/T]; w2.settle(T,p,[v,0,0]); }
    out.push([w2.lies.noseDownDeg.toFixed(0), (-(Math.atan2(p[2],-p[0])*180/Math.PI)).toFixed(0), droopAt(balanceModel(laid), laid.tight.heelDeg??0, v).toFixed(0)].join('/'));
  }
  console.log(f.padEnd(24), 'free', free.toFixed(1), 'of', trim.noseDownDeg?.toFixed(1), 'drag', drag.toFixed(0), 'W', laid.submergedMg.toFixed(0), 'tow', out.join('  '), 'holds', w.holdsToMmS.toFixed(0), 'ms', (t1-t0).toFixed(1), w.reachMm().toFixed(1));
}
