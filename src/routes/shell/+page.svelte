<!-- Nothing of its own: under this address nobody looks at it. -->
