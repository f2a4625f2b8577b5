{!! $person !!},

{!! $shop !!} invites you to Pebblerun as {{ $role }}.

{{ str_ends_with($link, '/account') ? 'You have an account already: sign in and accept, under Account:' : 'Accept here; the link works once, within two days:' }}

{!! $link !!}

If you did not expect this, ignore it: nothing changes.
