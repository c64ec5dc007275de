import { writeFileSync } from 'node:fs'
import { DEMO_PROJECT } from './demo/project.ts'
import { withCatalogue } from './demo/catalogue.ts'
writeFileSync('/tmp/demo.json', JSON.stringify(DEMO_PROJECT)); writeFileSync('/tmp/big.json', JSON.stringify(withCatalogue(700)))
