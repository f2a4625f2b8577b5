{!! $person !!},

{!! $shop !!} invites you to Pebblerun as {{ $role }}.

{{ str_ends_with($link, '/account') ? 'You have an account already: sign in and accept, under Account:' : 'Come in here; the link is good for two days and once:' }}

{!! $link !!}

If you expected nothing like that, leave it: nothing happens without you.
