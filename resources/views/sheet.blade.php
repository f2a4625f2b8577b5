{{-- A page of its own in plain HTML that needs no script: what is typed while it comes in is never lost. --}}
<!doctype html>
<html lang="en">
    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <meta name="color-scheme" content="light dark">
        <title>@yield('title') · Pebblerun</title>
        <link rel="icon" href="/favicon.svg" type="image/svg+xml">
        @vite(['resources/css/app.css', 'resources/js/theme.ts'])
    </head>
    <body>
        <main class="flex min-h-screen items-center justify-center p-6">
            <div class="flex @yield('width', 'w-80') flex-col gap-3">
                <h1 class="mb-2 flex items-center gap-2.5 text-xl font-semibold tracking-tight">
                    <img src="/favicon.svg" width="26" height="20" alt=""> @yield('heading', 'Pebblerun')
                </h1>
                @yield('content')
            </div>
        </main>
    </body>
</html>
