{!! $person !!},

there were many wrong passwords for your account at Pebblerun, and then the right one.

If that was you, sign in here; the link works once, for 15 minutes:

{!! $link !!}

If it was not, someone else knows your password: choose a new one on the sign-in page.
