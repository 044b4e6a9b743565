using System.Diagnostics;

namespace Kalypto.Drawing;

/// <summary>The environment of the processes that drawings are handed to: what they need to run, and nothing of the server's own, such as the password of its database.</summary>
internal static class PlainEnvironment
{
    private static readonly string[] Kept = ["PATH", "DOTNET_ROOT", "DOTNET_ROOT_X64", "DOTNET_ROOT_ARM64", "LD_LIBRARY_PATH"];

    /// <summary>Leaves nothing else in the environment of a process.</summary>
    public static void Set(ProcessStartInfo start)
    {
        foreach (var name in start.Environment.Keys.Except(Kept, StringComparer.Ordinal).ToList())
        {
            start.Environment.Remove(name);
        }
        start.Environment["LANG"] = "C.UTF-8";
        start.Environment["TZ"] = "UTC";
    }
}
