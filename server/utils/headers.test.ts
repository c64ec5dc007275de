import { expect, test } from '@jest/globals'
import { contentPolicy } from './headers.ts'

// the hashes of the standard's own example scripts are those of any SHA-256: echo -n "doSomething();" | openssl dgst -sha256 -binary | base64
const SOMETHING = "'sha256-RFWPLDbv2BY+rCkDzsE+0fr8ylGr2R2faWMhq4lfEQc='"

test('inline scripts are named by what stands in them; files and data are not', () => {
  const policy = contentPolicy(
    `<script src="/a.js"></script><script type="module" src="/b.js" crossorigin></script>
     <script type="application/json" id="x">{"a":1}</script><script>doSomething();</script><SCRIPT defer>doSomething();</SCRIPT>`,
  )
  expect(policy).toContain(`script-src 'self' ${SOMETHING};`)
  expect(policy).not.toMatch(/script-src[^;]*unsafe/)
})
test('without a page only what this server sends runs, and nobody frames it', () => {
  expect(contentPolicy()).toContain("script-src 'self';")
  expect(contentPolicy()).toMatch(/object-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'$/)
})
