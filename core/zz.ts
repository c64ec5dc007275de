import { DEMO_PROJECT } from './demo/project.ts'
import { heatReport } from './report/heat/heat-report.ts'
const mk = (duty: any) => { const p = structuredClone(DEMO_PROJECT) as any; p.duties = [{ id: 'x', name: 'X', duty }]; p.preferences.duty='x'; return p }
for (const [name, duty] of Object.entries({
 d: {kind:'descent',gradePercent:1.5,lengthM:100000,kmh:10}, d2: {kind:'descent',gradePercent:3,lengthM:50000,kmh:20},
})) {
  const p = mk(duty)
  for (const s of ['balanced','as-it-stands']) { const t=performance.now(); const r=heatReport(p, s, 'x'); console.log(name, s, 'report', (performance.now()-t).toFixed(0), r.samples.length, r.verdict) }
}
