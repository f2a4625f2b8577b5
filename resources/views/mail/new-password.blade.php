{!! $person !!},

a new password was requested for your account at Pebblerun.

Choose one here; the link works once, within two days:

{!! $link !!}

If that was not you, ignore this: your password does not change.
