import { DEMO_PROJECT } from './demo/project.ts'
import { heatReport } from './report/heat/heat-report.ts'
import { heatBrief } from './report/heat/heat-brief.ts'
const mk = (duty: any) => { const p = structuredClone(DEMO_PROJECT) as any; p.duties = [{ id: 'x', name: 'X', duty }]; p.preferences.duty='x'; return p }
const zones = (n:number, s:number)=>Array.from({length:n},()=>({fromKmh:120,toKmh:60,decelG:0.7,secondsToNext:s}))
for (const [name, duty] of Object.entries({
 l100z15s20: {kind:'laps',laps:100,zones:zones(15,20)},
 l100z15s57: {kind:'laps',laps:100,zones:zones(15,57)},
 l5z15s3600: {kind:'laps',laps:5,zones:zones(15,3600)},
 s100c3600: {kind:'stops',fromKmh:100,toKmh:0,decelG:0.5,count:100,accelG:0.2,cruiseSeconds:3600},
})) {
  const p = mk(duty)
  for (const s of ['balanced']) { const t=performance.now(); const r=heatReport(p, s, 'x'); console.log(name, s, 'report', (performance.now()-t).toFixed(0), r.samples.length, r.verdict, JSON.stringify(r.goneAtS)); const t2=performance.now(); heatBrief(p,s,'x'); console.log('  brief', (performance.now()-t2).toFixed(0)) }
}
