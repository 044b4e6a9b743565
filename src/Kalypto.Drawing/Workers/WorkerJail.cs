using System.ComponentModel;
using System.Diagnostics;

namespace Kalypto.Drawing.Workers;

/// <summary>
/// How workers are started with no more rights than they need: without network, as a user who owns nothing, never to gain
/// rights again; as far as this machine lets that be done by the tools that come with Debian (util-linux).
/// </summary>
internal static class WorkerJail
{
    /// <summary>Asks a worker whether it can do its work here.</summary>
    public const string Probe = "--probe";

    // From the closest to none. The last always works.
    private static readonly string[][] Ways =
    [
        ["unshare", "--net", "--", "setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "--no-new-privs", "--bounding-set=-all", "--"],
        ["unshare", "--user", "--map-current-user", "--net", "--", "setpriv", "--no-new-privs", "--"],
        ["setpriv", "--no-new-privs", "--"],
        [],
    ];

    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);
    private static readonly Dictionary<(string, string), string[]> Known = [];
    private static readonly Lock Gate = new();

    /// <summary>What stands before the program of a worker.</summary>
    public static string[] Before(WorkerOptions options)
    {
        lock (Gate)
        {
            if (!Known.TryGetValue((options.Program, options.Fonts), out var way))
            {
                Known[(options.Program, options.Fonts)] = way = Array.Find(Ways, w => w.Length == 0 || Works([.. w, options.Program, Probe, options.Fonts]))!;
            }
            return way;
        }
    }

    private static bool Works(string[] command)
    {
        try
        {
            using var process = Process.Start(new ProcessStartInfo(command[0], command[1..]) { RedirectStandardError = true, RedirectStandardOutput = true, UseShellExecute = false });
            if (process is null || !process.WaitForExit(Patience))
            {
                process?.Kill(entireProcessTree: true);
                return false;
            }
            return process.ExitCode == 0;
        }
        catch (Win32Exception)
        {
            // The tool is not there.
            return false;
        }
    }
}
