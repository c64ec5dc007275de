<script setup lang="ts">
import { useRouter } from 'vue-router'
import { howItDecides } from '#core/report/how.ts'

/** How verdicts come about: schools, limits and sources in words; to read or to print. */
const router = useRouter()
const { schools, limits, formulas } = howItDecides()
const print = () => window.print()
const back = () => (window.history.length > 1 ? router.back() : router.push('/'))
</script>

<template>
  <main class="how">
    <header class="screen">
      <ElButton link type="primary" @click="back"><Icon name="tabler:arrow-left" /> Back</ElButton>
      <ElButton type="primary" @click="print">Print</ElButton>
    </header>
    <h1>How it decides</h1>
    <p>
      Every verdict comes from figures that someone entered, each with where it comes from and how sure it is. A figure that nobody entered
      is a question, never a zero and never “fits”. Where the doubts leave a verdict open it says so, and names what to measure next.
      Nothing here is an approval, nor in place of a trial fit, the part maker’s instructions, local rules and inspection, or a qualified
      technician.
    </p>
    <h2>Verdicts</h2>
    <dl>
      <dt><VerdictMark verdict="fits" :size="15" /> fits</dt>
      <dd>All that the rule reads is known, of this car, and within its limit; a gap is larger than asked for in 95 of 100 cases.</dd>
      <dt><VerdictMark verdict="check" :size="15" /> to be seen on the car</dt>
      <dd>The figures allow it, or are typical of a class of cars: a look or a trial fit settles it.</dd>
      <dt><VerdictMark verdict="needs" :size="15" /> needs something</dt>
      <dd>A piece, a spacer or work cures it; it was tried before it was offered.</dd>
      <dt><VerdictMark verdict="unknown" :size="15" /> cannot say</dt>
      <dd>A figure is missing, or its doubt is too large.</dd>
      <dt><VerdictMark verdict="blocked" :size="15" /> blocked</dt>
      <dd>It must not be built so. A remedy unblocks it only once it is accepted.</dd>
    </dl>
    <h2>Where practitioners disagree</h2>
    <section v-for="one in schools" :key="one.question" class="school">
      <h3>{{ one.question }}</h3>
      <ul>
        <li v-for="way in one.ways" :key="way.label" :class="{ taken: way.taken }">
          {{ way.label }}<span v-if="way.taken" class="small"> (taken unless you choose)</span>
          <span class="soft small reason">{{ way.reason }}</span>
        </li>
      </ul>
    </section>
    <h2>Limits of the fit check</h2>
    <p class="soft small">A project can set its own; wherever one counts it is said.</p>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Limit</th>
          <th scope="col" class="num">Value</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in limits" :key="one.label">
          <th scope="row">{{ one.label }}</th>
          <td class="num">{{ one.value }}</td>
          <td>{{ one.reason }}</td>
        </tr>
      </tbody>
    </table>
    <h2>Formulas and their sources</h2>
    <p class="soft small">Any figure on the bench opens with its own numbers put in.</p>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">Figure</th>
          <th scope="col">Formula</th>
          <th scope="col">Source</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in formulas" :key="one.id">
          <th scope="row">{{ one.name }}</th>
          <td class="num">{{ one.text }}</td>
          <td>{{ one.source }}</td>
        </tr>
      </tbody>
    </table>
  </main>
</template>

<style scoped>
.how {
  max-width: 960px;
  margin: 0 auto;
  padding: 20px 24px 60px;
}
.screen {
  display: flex;
  justify-content: space-between;
  margin-bottom: 8px;
}
h2 {
  margin: 22px 0 6px;
  border-bottom: 1px solid var(--line);
}
h3 {
  margin: 10px 0 2px;
}
dt {
  font-weight: 640;
}
dd {
  margin: 0 0 6px 22px;
}
.school {
  break-inside: avoid;
}
.school ul {
  margin: 0;
  padding-left: 20px;
}
.taken {
  font-weight: 600;
}
.reason {
  display: block;
  font-weight: 400;
}
table {
  width: 100%;
}
th,
td {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--hair);
  font-weight: 400;
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}
th[scope='row'] {
  width: 34%;
}
@media print {
  .screen {
    display: none;
  }
}
</style>
