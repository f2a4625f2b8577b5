{{-- Plain HTML that needs no script: what is typed while the page comes in is never lost. --}}
<!doctype html>
<html lang="en">
    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <meta name="color-scheme" content="light dark">
        <title>Sign in · Pebblerun</title>
        <link rel="icon" href="/favicon.svg" type="image/svg+xml">
        @vite(['resources/css/app.css', 'resources/js/theme.ts'])
    </head>
    <body>
        <main class="flex min-h-screen items-center justify-center p-6">
            <form class="flex w-80 flex-col gap-3" method="post" action="/sign-in">
                @csrf
                <h1 class="mb-2 flex items-center gap-2.5 text-xl font-semibold tracking-tight">
                    <img src="/favicon.svg" width="26" height="20" alt=""> Pebblerun
                </h1>
                <label class="flex flex-col gap-1">
                    <span class="text-soft">Email</span>
                    <input class="field" type="email" name="email" autocomplete="username" required autofocus value="{{ old('email') }}">
                </label>
                <label class="flex flex-col gap-1">
                    <span class="text-soft">Password</span>
                    <input class="field" type="password" name="password" autocomplete="current-password" required>
                </label>
                @error('email')
                    <p class="text-rust" role="alert">{{ $message }}</p>
                @enderror
                <button class="btn btn-strong mt-1 justify-center">Sign in</button>
            </form>
        </main>
    </body>
</html>
