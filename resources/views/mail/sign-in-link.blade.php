{!! $person !!},

there were many wrong passwords for your account at Pebblerun, and then the right one.

If that was you, sign in here; the link is good for a quarter of an hour and once:

{!! $link !!}

If it was not, somebody knows your password: choose a new one where you sign in.
