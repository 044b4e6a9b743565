using System.Diagnostics;

namespace Kalypto.Bench;

/// <summary>Programs of others that weights and times are compared with.</summary>
internal static class Programs
{
    public static bool Exist(string program) => Environment.GetEnvironmentVariable("PATH")!.Split(':').Any(folder => File.Exists(Path.Combine(folder, program)));

    public static void Run(string program, params string[] arguments)
    {
        using var process = Process.Start(new ProcessStartInfo(program, arguments) { RedirectStandardOutput = true, RedirectStandardError = true })!;
        process.OutputDataReceived += (_, _) => { };
        process.ErrorDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        process.WaitForExit();
    }
}
