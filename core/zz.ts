import { DEMO_PROJECT } from './demo/project.ts'
import { heatReport } from './report/heat/heat-report.ts'
import { wearReport } from './report/prove/wear-report.ts'
import { evaluate } from './report/evaluate.ts'
import { projectProblems } from './model/check.ts'
const p = structuredClone(DEMO_PROJECT) as any
p.heatReadings = [{ id:'r', date:'2026-10-01', setupId:'as-it-stands', axle:'front', lump:'ring', method:'infrared', readC: 80, afterS: 0, airC: 20, driving: { name: 'x', duty: { kind:'stops', fromKmh:3, toKmh:0, decelG:3, count:1, accelG:0.2, cruiseSeconds:0 } }, parts: [p.setups[0].front.rotor, p.setups[0].front.pad, p.setups[0].front.caliper] }]
console.log(projectProblems(p))
try { console.log(heatReport(p,'as-it-stands').sentence) } catch(e) { console.log(String(e)) }
const q = structuredClone(DEMO_PROJECT) as any
q.wearReadings = [{id:'a',date:'2026-10-01',axle:'front',side:'left',events:0,pad:q.setups[0].front.pad,innerLeadingMm:12},{id:'b',date:'2026-10-02',axle:'front',side:'left',events:1e-170,pad:q.setups[0].front.pad,innerLeadingMm:11}]
console.log(projectProblems(q))
try { console.log(wearReport(q).first, evaluate(q,'as-it-stands').season.perSeason) } catch(e) { console.log(String(e)) }
