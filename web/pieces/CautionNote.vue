<template>
  <div class="caution" role="note">
    <i class="pi pi-exclamation-triangle" aria-hidden="true" />
    <span><b>Caution. </b><slot /></span>
  </div>
</template>
