using System.ComponentModel;
using System.Diagnostics;

namespace Kalypto.Drawing.Workers;

/// <summary>
/// How workers are started with no more rights than they need: without network, as a user who owns nothing, never to gain
/// rights again, and with a filter of system calls; as far as this machine lets that be done by the tools that come with Debian
/// (util-linux, libseccomp). What holds is said at the start of the server and by its health.
/// </summary>
public static class WorkerJail
{
    /// <summary>Asks a worker whether it can do its work here.</summary>
    internal const string Probe = "--probe";

    /// <summary>What a worker answers that could put the filter of system calls on itself.</summary>
    internal const string Filtered = "filtered";

    /// <summary>What a worker answers that may touch programs, libraries and fonts alone.</summary>
    internal const string FilesOnly = "files";

    // From the closest to none. The last always works.
    private static readonly Way[] Ways =
    [
        new(["unshare", "--net", "--", "setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "--no-new-privs", "--bounding-set=-all", "--"], ["no network", "a user who owns nothing", "no new rights"]),
        new(["unshare", "--user", "--map-current-user", "--net", "--", "setpriv", "--no-new-privs", "--"], ["no network", "no new rights"]),
        new(["setpriv", "--no-new-privs", "--"], ["no new rights"]),
        new([], []),
    ];

    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(2);
    private static readonly Dictionary<(string, string), (Way Way, string[] Holds)> Known = [];
    private static readonly Lock Gate = new();

    private sealed record Way(string[] Command, string[] Holds);

    /// <summary>What protects the machine from drawings.</summary>
    /// <param name="Holds">The protections that hold, in words.</param>
    /// <param name="IsWeak">True where the machine does not let workers be cut off from the network or filtered.</param>
    public sealed record Protection(IReadOnlyList<string> Holds, bool IsWeak)
    {
        /// <inheritdoc/>
        public override string ToString() => Holds.Count == 0 ? "nothing but limits of memory and time" : string.Join(", ", Holds);
    }

    /// <summary>What holds for workers of these options; starts one to see.</summary>
    public static Protection ProtectionOf(WorkerOptions options) => Find(options) is var (way, holds)
        ? new([.. way.Holds, .. holds.Contains(FilesOnly) ? ["no files but programs and fonts"] : Array.Empty<string>(), .. holds.Contains(Filtered) ? ["a filter of system calls"] : Array.Empty<string>(), "limits of memory and time"],
            !holds.Contains(Filtered) || !way.Holds.Contains("no network") || !holds.Contains(FilesOnly) && !way.Holds.Contains("a user who owns nothing")) : throw new InvalidOperationException();

    /// <summary>What stands before the program of a worker.</summary>
    internal static string[] Before(WorkerOptions options) => Find(options).Way.Command;

    private static (Way Way, string[] Holds) Find(WorkerOptions options)
    {
        lock (Gate)
        {
            if (!Known.TryGetValue((options.Program, options.Fonts), out var found))
            {
                found = Ways.Select(w => (Way: w, Answer: Try([.. w.Command, options.Program, Probe, options.Fonts]))).FirstOrDefault(w => w.Answer is not null) is { Way: { } way, Answer: { } answer }
                    ? (way, answer.Split([' ', '\n'], StringSplitOptions.RemoveEmptyEntries)) : (Ways[^1], []);
                Known[(options.Program, options.Fonts)] = found;
            }
            return found;
        }
    }

    private static string? Try(string[] command)
    {
        try
        {
            var start = new ProcessStartInfo(command[0], command[1..]) { RedirectStandardError = true, RedirectStandardOutput = true, UseShellExecute = false };
            PlainEnvironment.Set(start);
            using var process = Process.Start(start);
            if (process is null || !process.WaitForExit(Patience))
            {
                process?.Kill(entireProcessTree: true);
                return null;
            }
            return process.ExitCode == 0 ? process.StandardOutput.ReadToEnd() : null;
        }
        catch (Win32Exception)
        {
            // The tool is not there.
            return null;
        }
    }
}
