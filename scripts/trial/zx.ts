import { readFileSync } from 'node:fs';
import { solveFly, balanceModel, droopAt, sumWeights, weightCentre } from '../../core/src/model/index.ts';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { WaterFly } from '../../core/src/water/fly.ts';
import * as F from '../../core/src/water/fly.ts';
for (const [f,v] of [['moss-anvil',300],['bell-weir',600],['sedge-warden',600],['slate-runner',300]] as const) {
  const s = solveFly(JSON.parse(readFileSync('examples/'+f+'.fly.json','utf8')), NOMINAL_DRAWERS);
  if (!s.ok) continue;
  const laid = s.value.laid;
  const w = new WaterFly(laid) as any;
  const L = w.levers.tight;
  const D=w.aside(v)*0+w.along.nose(v); const T=Math.hypot(D,laid.submergedMg); const b=Math.atan2(laid.submergedMg,D);
  console.log(f, 'levers', JSON.stringify({...L,load:L.load(v)}), 'T',T.toFixed(0),'b',(b*57.3).toFixed(0), 'nosedrag', D.toFixed(0), 'level', w.level(v).toFixed(0));
  console.log(Array.from({length:37},(_, i)=> { const a=-180+10*i; return a+':'+(F as any).noseUp(a/57.2958, L, {pullMg:T,pullRad:b,flowForward:-v,flowUp:0}).toFixed(0)}).join(' '));
}
