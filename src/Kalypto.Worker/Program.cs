using System.Globalization;
using Kalypto.Drawing.Workers;

// Started by the server with the folder of fonts and the memory limit in bytes; speaks over standard input and output.
// It restricts itself first and begins anew, which the last argument tells.
switch (args)
{
    case ["--probe", var folder, WorkerLoop.Restricted]:
        return WorkerLoop.CanWork(folder, isRestricted: true) ? 0 : 1;
    case ["--probe", var folder]:
        WorkerLoop.Restrict(folder, args);
        return WorkerLoop.CanWork(folder, isRestricted: false) ? 0 : 1;
    case [var fonts, var memory, .. var last] when long.TryParse(memory, CultureInfo.InvariantCulture, out var bytes) && last is [] or [WorkerLoop.Restricted]:
        if (last.Length == 0)
        {
            WorkerLoop.Restrict(fonts, args);
        }
        WorkerLoop.Run(fonts, bytes);
        return 0;
    default:
        Console.Error.WriteLine("This program is started by Kalypto itself: run ./start.");
        return 2;
}
