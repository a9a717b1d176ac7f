<!-- The list of a page as CSV, narrowed as it is there. -->
<script lang="ts">
  interface Props {
    /** Its name in the address, and on the link where a page has several. */
    list: string;
    word?: string;
    /** As in the page's address; what is empty narrows nothing. */
    search?: Readonly<Record<string, string | boolean | null | undefined>>;
  }
  let { list, word = 'as CSV', search = {} }: Props = $props();
  const query = $derived(
    Object.entries(search)
      .filter(([, v]) => v)
      .map(([k, v]) => (v === true ? k : `${k}=${encodeURIComponent(String(v))}`))
      .join('&')
  );
</script>

<a class="link no-print" href="/lists/{list}.csv{query && `?${query}`}" download>{word}</a>
