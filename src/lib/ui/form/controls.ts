/**
 * What the screens use of the component library, by the file each stands in. Its index names every component it has, and a
 * build that imports from it compiles them all, twice: that was most of the first build.
 */
export { default as Button } from 'flowbite-svelte/Button.svelte';
export { default as Checkbox } from 'flowbite-svelte/Checkbox.svelte';
export { default as Input } from 'flowbite-svelte/Input.svelte';
export { default as Radio } from 'flowbite-svelte/Radio.svelte';
export { default as Select } from 'flowbite-svelte/Select.svelte';
export { default as Textarea } from 'flowbite-svelte/Textarea.svelte';
