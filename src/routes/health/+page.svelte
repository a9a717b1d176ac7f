<svelte:head><title>Up · Hour Trail</title></svelte:head>
<h1>Up</h1>
<p>The server runs and its database answers.</p>
