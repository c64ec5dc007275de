import { encode } from 'fast-png'
import { writeFileSync } from 'node:fs'
import { takePicture, seenBy, type Camera } from '../core/picture/simulated-camera.ts'
import { findMarks } from '../core/picture/marks.ts'
import { readSheet } from '../core/picture/read-sheet.ts'
import { focalOf, raised, lensOver } from '../core/picture/pose.ts'
import { MARKS } from '../core/picture/sheet.ts'
import { placing } from '../core/picture/placing.ts'
import { outlineOf } from '../core/picture/outline.ts'
import { snap } from '../core/picture/snap.ts'
import { follow } from '../core/picture/follow.ts'
import { toPx, mmPerPx } from '../core/picture/sheet-map.ts'
function rng(seed:number){return ()=>{seed=(seed+0x6d2b79f5)|0;let t=Math.imul(seed^(seed>>>15),1|seed);t=(t+Math.imul(t^(t>>>7),61|t))^t;return((t^(t>>>14))>>>0)/4294967296}}
const N=Number(process.argv[2]??10)
const LINE:[number,number][]=[[-95,112],[-80,132],[-62,139],[10,140],[18,136],[32,120],[38,118],[39,80]]
const segd=(p:any,a:any,b:any)=>{const dx=b[0]-a[0],dy=b[1]-a[1];const t=Math.max(0,Math.min(1,((p[0]-a[0])*dx+(p[1]-a[1])*dy)/(dx*dx+dy*dy)));return [p[0]-a[0]-t*dx,p[1]-a[1]-t*dy]}
const near=(p:any)=>{let best=[9,9];for(let i=0;i+1<LINE.length;i++){const d=segd(p,LINE[i],LINE[i+1]);if(Math.hypot(d[0]!,d[1]!)<Math.hypot(best[0]!,best[1]!))best=d as any}return best}
const mixp=(a:any,b:any,t:number):[number,number]=>[a[0]+(b[0]-a[0])*t,a[1]+(b[1]-a[1])*t]
const ONLY=process.argv[3]?Number(process.argv[3]):undefined
let found=0, all=0, ok=0; const cov=[0,0]
for(let i=0;i<N;i++){
  if(ONLY!==undefined&&i!==ONLY)continue
  const r=rng(i+1)
  const n=()=>{let s=-6;for(let k=0;k<12;k++)s+=r();return s}
  const sizes=[[2048,1536],[2592,1944],[2048,1536],[4000,3000]] as const
  const [width,height]=sizes[i%4]!
  const camera:Camera={width,height,focal35Mm:24+r()*8,distanceMm:330+r()*250,tiltDeg:r()*40,azimuthDeg:r()*360,turnDeg:r()*360,lens:(r()-.5)*.08,lens4:(r()-.5)*.02,aimMm:[(r()-.5)*30,(r()-.5)*30]}
  for(let k=0;k<40;k++){const m=seenBy(camera);if(MARKS.every(([z,rr])=>[-7.5,7.5].every(d=>[-7.5,7.5].every(e=>{const p=toPx(m,[z+d,rr+e]);return p[0]>5&&p[1]>5&&p[0]<width-5&&p[1]<height-5}))))break;camera.distanceMm+=15}
  const mode=i%3 // 0 on the sheet, 1 card, 2 gauge
  const h=mode===0?0:mode===1?1+0.2*n():8+0.5*n()
  const printed=[1+.0015*n(),1+.0015*n()] as const
  const lineMm=0.5
  const laid=mode===0?undefined:[0.15*n(),0.15*n()] as const
  const drawn= mode===2?{points:[...LINE,[-95,80] as [number,number]],lineMm:0,filled:70}:{points:LINE,lineMm,asideMm:(r()-.5)*lineMm}
  const pic=takePicture(camera,{drawn:[drawn],printed,...(mode?{heightMm:h,laidMm:laid}:{}),...(mode===1?{card:{z:[-108,46],r:[20,170],shade:205}}:{})},{blurPx:.6+r()*1.2,noise:2+r()*5,shadow:{depth:.5*r(),at:r()},slope:.3*r(),table:60+r()*150},r)
  if(ONLY!==undefined)writeFileSync('/tmp/p.png', encode({width:pic.width,height:pic.height,data:pic.data,channels:1,depth:8}))
  const marks=findMarks(pic)
  if(!marks){console.log(i,width,'NOT FOUND',JSON.stringify(camera));continue}
  found++
  const read=readSheet(pic,marks)
  if(!read.ok){console.log(i,'refused',read.message);continue}
  const {map,spread}=read.reading
  const focal=focalOf(map,spread,i%2?camera.focal35Mm*(1+.04*n()):undefined)
  const over=lensOver(map,focal.px)
  const scale={by:'sheet' as const,reading:read.reading,focal,heightMm:{value:mode===0?0:mode===1?1:8,u:mode===0?0:mode===1?.2:.5},printedMm:{across:{value:100,u:.15},along:{value:100,u:.15}}}
  const seen=seenBy(camera,h)
  const TR=[mixp(LINE[0]!,LINE[1]!,.3),...LINE.slice(1,-1),mixp(LINE[6]!,LINE[7]!,.7)]
  const clicks=TR.map(p=>toPx(seen,[p[0]*printed[0]+(laid?.[0]??0),p[1]*printed[1]+(laid?.[1]??0)])).map(p=>[p[0]+n()*4,p[1]+n()*4] as [number,number])
  const what=mode===2?'edge' as const:'line' as const
  const linePx=lineMm/mmPerPx(map,clicks[3]!)
  const snapped=clicks.map(c=>snap(pic,c,16,what,linePx))
  const t=performance.now()
  const stretches=[]
  for(let k=0;k+1<snapped.length;k++){const a=snapped[k],b=snapped[k+1];if(!a||!b)continue;const f=follow(pic,a.px,b.px,what,linePx);if(!f.ok){console.log(i,k,f.message);continue}
   stretches.push({tag:'x',points:[a.px,...f.points,b.px].map(px=>({px,snapped:true}))})}
  const t2=performance.now()
  const pl=placing(scale,{by:'sheet',laid:mode>0,mirrored:false},clicks[3]!)
  if(!pl.ok){console.log(pl.message);continue}
  const out=outlineOf(stretches,pl.placing,mode===2?0:lineMm)
  if(!out){console.log(i,'no outline');continue}
  let worst=0
  out.points.forEach((p,k)=>{const e=near(p);const d=Math.hypot(e[0]!,e[1]!);worst=Math.max(worst,d);all++;if(d<.3)ok++
    // along the normal
    const u=Math.hypot(e[0]!*out.doubts[k]![0],e[1]!*out.doubts[k]![1])/(d||1); if(d<1.645*u)cov[0]!++})
  console.log(i,width,['sheet','card','gauge'][mode],'tilt',camera.tiltDeg.toFixed(0),'pts',out.points.length,'worst',worst.toFixed(3),'u',Math.max(...out.doubts.map(d=>d[0])).toFixed(3),Math.max(...out.doubts.map(d=>d[1])).toFixed(3),'f',focal.from,focal.uLn.toFixed(2),(focal.px/(camera.focal35Mm/43.27*Math.hypot(width,height))).toFixed(2),'h',over.heightMm.toFixed(0),over.tiltDeg.toFixed(0),'res',read.reading.residualMm.toFixed(3),'ms',(t2-t).toFixed(0))
}
console.log('found',found,'of',N,'within .3',ok/all,'cov',cov[0]!/all)
