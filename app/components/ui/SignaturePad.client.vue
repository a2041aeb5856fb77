<script setup lang="ts">
import SignaturePad from 'signature_pad'

const emit = defineEmits<{ drawn: [svg: string] }>()
const canvas = ref<HTMLCanvasElement>()
let pad: SignaturePad | undefined
onMounted(() => {
  const { width, height } = canvas.value!.getBoundingClientRect()
  canvas.value!.width = width
  canvas.value!.height = height
  pad = new SignaturePad(canvas.value!, { penColor: '#24211c', minWidth: 1, maxWidth: 2.6 })
  pad.addEventListener('endStroke', () => emit('drawn', pad!.toSVG()))
})
onBeforeUnmount(() => pad?.off())
function clear() {
  pad?.clear()
  emit('drawn', '')
}
</script>

<template>
  <div>
    <canvas
      ref="canvas"
      class="w-full h-36 bg-[#f7f3ea] border border-line touch-none"
      aria-label="Sign here"
      role="img"
    />
    <button type="button" class="rung text-sm mt-1" @click="clear">Clear</button>
  </div>
</template>
