<template>
  <div class="min-h-dvh">
    <InTurn>
      <PlacesBar />
    </InTurn>
    <slot />
  </div>
</template>
