<template>
  <section class="panel">
    <h1 class="text-2xl">Nothing at this address</h1>
    <p>The page is not here. The drawers on the left lead everywhere; <span class="keycap">/</span> finds the rest.</p>
  </section>
</template>
