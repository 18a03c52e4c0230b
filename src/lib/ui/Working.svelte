<script lang="ts">
  /** That something is being worked at, and how far it is: in words, with a bar that moves as long as it lasts. */
  let { words }: { words: string } = $props();
</script>

<p role="status" class="working">{words}</p>

<style>
  .working {
    padding: 0.25rem 0 0.375rem;
    font-size: 0.875rem;
    background: linear-gradient(var(--tenant-plan), var(--tenant-plan)) 0 100% / 3rem 2px no-repeat;
    animation: along 1.6s ease-in-out infinite alternate;
  }
  @keyframes along {
    to {
      background-position-x: 100%;
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .working {
      animation: none;
    }
  }
</style>
