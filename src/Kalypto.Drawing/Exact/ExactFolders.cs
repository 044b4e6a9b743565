using System.Diagnostics;
using System.Globalization;

namespace Kalypto.Drawing.Exact;

/// <summary>
/// Folders of the browsers of the exact engine. Each is private to the user that its browser runs as, carries the number of the
/// process that made it, and is removed by whoever starts later when that process was killed.
/// </summary>
internal static class ExactFolders
{
    private const string Prefix = "kalypto-exact-";
    private const string Unprivileged = "--reuid=65534";

    /// <summary>Removes folders that a killed process left, once.</summary>
    public static void RemoveLeft()
    {
        foreach (var folder in Directory.EnumerateDirectories(Path.GetTempPath(), $"{Prefix}*"))
        {
            var parts = Path.GetFileName(folder)[Prefix.Length..].Split('-');
            if (parts.Length == 3 && int.TryParse(parts[0], CultureInfo.InvariantCulture, out var process) && !IsAlive(process, parts[1]))
            {
                Remove(folder);
            }
        }
    }

    /// <summary>Creates a folder that nobody else can look into.</summary>
    public static string Create() => Directory.CreateTempSubdirectory($"{Prefix}{Environment.ProcessId}-{StartOf(Environment.ProcessId)}-").FullName;

    /// <summary>Gives a folder to the user that the browser runs as.</summary>
    public static void HandOver(string folder, string[] jail)
    {
        if (!jail.Contains(Unprivileged))
        {
            return;
        }
        using var chown = Process.Start(new ProcessStartInfo("chown", ["-R", "65534:65534", folder]) { RedirectStandardError = true, UseShellExecute = false });
        chown?.WaitForExit();
    }

    /// <summary>Removes a folder with all that is in it.</summary>
    public static void Remove(string folder)
    {
        try
        {
            Directory.Delete(folder, recursive: true);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // Of another user, or a browser still writes as it ends.
        }
    }

    private static bool IsAlive(int process, string start) => StartOf(process) == start;

    // Since when a process runs, so that another one of the same number is not taken for it; as the kernel counts.
    private static string StartOf(int process)
    {
        try
        {
            var stat = File.ReadAllText($"/proc/{process}/stat");
            return stat[(stat.LastIndexOf(')') + 2)..].Split(' ')[19];
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or IndexOutOfRangeException)
        {
            return "gone";
        }
    }
}
