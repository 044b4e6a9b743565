using System.Collections.Frozen;

namespace Kalypto.Core.Naming;

/// <summary>What no file may be called, wherever it goes.</summary>
internal static class FileSystems
{
    // Microsoft, "Naming Files, Paths, and Namespaces": device names, with or without an ending.
    private static readonly FrozenSet<string> Devices = FrozenSet.Create(StringComparer.OrdinalIgnoreCase,
        ["con", "prn", "aux", "nul", .. Enumerable.Range(1, 9).SelectMany(n => new[] { $"com{n}", $"lpt{n}" })]);

    public static string? Refusal(string name) =>
        Devices.Contains(name) ? $"“{name}” is the name of a device on Windows" : null;

    public static string Accepted(string name, string separator) =>
        Devices.Contains(name) ? $"{name}{separator}picture" : name;
}
