<!doctype html>
<html lang="en">
    <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="color-scheme" content="light dark" />
        <title>Pebblerun: no database</title>
        <link rel="stylesheet" href="/faults.css" />
    </head>
    <body>
        <main>
            <h1>Pebblerun</h1>
            <p>{{ $message }}</p>
            <p>This page loads again by itself. Changes of a plan that were not saved yet are kept in this browser.</p>
        </main>
    </body>
</html>
