using System.Globalization;
using Kalypto.Drawing.Workers;

// Started by the server with the folder of fonts and the memory limit in bytes; speaks over standard input and output.
if (args is not [var fonts, var memory] || !long.TryParse(memory, CultureInfo.InvariantCulture, out var bytes))
{
    Console.Error.WriteLine("This program is started by Kalypto itself: run ./start.");
    return 2;
}
await WorkerLoop.RunAsync(fonts, bytes);
return 0;
