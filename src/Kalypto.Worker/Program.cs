using System.Globalization;
using Kalypto.Drawing.Workers;

// Started by the server with the folder of fonts and the memory limit in bytes; speaks over standard input and output.
switch (args)
{
    case ["--probe", var folder]:
        return WorkerLoop.CanWork(folder) ? 0 : 1;
    case [var fonts, var memory] when long.TryParse(memory, CultureInfo.InvariantCulture, out var bytes):
        WorkerLoop.Run(fonts, bytes);
        return 0;
    default:
        Console.Error.WriteLine("This program is started by Kalypto itself: run ./start.");
        return 2;
}
