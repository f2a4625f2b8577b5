{!! $person !!},

somebody asked for a new password for your account at Pebblerun.

Choose one here; the link is good for two days and once:

{!! $link !!}

If that was not you, leave it: your password stays as it is.
