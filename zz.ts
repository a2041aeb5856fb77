import { DEMO_PROTOCOLS as P } from './demo/protocols'
import { DEMO_SHELF as SHELF } from './demo/shelf'
import { input, client, yes } from './tests/situations'
import { whichCard } from './core/adapt'
for (const slot of [45,60,90]) {
  const i = input({shelf: SHELF as any, slotMinutes: slot, client: client([yes('pregnancy')], {concerns:['hydrate','calm']})})
  const t0=performance.now(); let first=0
  const r=whichCard(i, P as any, ()=>{first||=performance.now()-t0})
  console.log(slot, Math.round(performance.now()-t0), 'first', Math.round(first)); 
  for (const c of r.slice(0,6)) console.log('  ',c.name,c.status,c.worth,c.totalS/60,c.changes,c.serves.map(s=>s.goal+s.steps).join(),c.problems.join(' '))
}
