using System.Collections.Concurrent;
using System.Security.Cryptography;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Drawing.Native;

namespace Kalypto.Drawing;

/// <summary>Which families can be drawn, what stands in for the others, and what the fonts are by content.</summary>
internal sealed class FontFamilies(string folder)
{
    private readonly ConcurrentDictionary<string, string?> known = new(StringComparer.OrdinalIgnoreCase);
    private readonly ConcurrentDictionary<string, IReadOnlyList<(Font Font, string Path)>> faces = new(StringComparer.OrdinalIgnoreCase);
    private readonly ConcurrentDictionary<string, string> prints = new(StringComparer.OrdinalIgnoreCase);
    private readonly ConcurrentDictionary<string, string> contents = new(StringComparer.Ordinal);
    private readonly Lazy<ILookup<string, string>> files = new(() =>
    {
        Fontconfig.Use(folder);
        return Fontconfig.Files();
    });

    /// <summary>A fingerprint of every font there is.</summary>
    public string All => Print(files.Value.SelectMany(f => f));

    /// <summary>The family that is drawn instead of the first of a list as CSS has it; null for one that is there.</summary>
    public string? StandInFor(string families) => known.GetOrAdd(families, asked =>
    {
        _ = files.Value;
        var wanted = FamilyList.Wanted(asked);
        var drawn = Fontconfig.Match(FamilyList.Of(asked));
        return drawn is null || drawn.Any(f => string.Equals(f, wanted, StringComparison.OrdinalIgnoreCase)) ? null : drawn[0];
    });

    /// <summary>A fingerprint of the files of the family that is drawn for a list of families as CSS has it, in all its weights.</summary>
    public string FingerprintOf(string families) => prints.GetOrAdd(families, asked =>
    {
        var all = files.Value;
        var drawn = Fontconfig.Match(FamilyList.Of(asked));
        return Print((drawn ?? []).SelectMany(f => all[f]));
    });

    /// <summary>The files of the family that is drawn for a list of families as CSS has it, in all its weights; without collections.</summary>
    public IReadOnlyList<(Font Font, string Path)> FilesOf(string families) => faces.GetOrAdd(families, asked =>
    {
        var all = files.Value;
        return [.. (Fontconfig.Match(FamilyList.Of(asked)) ?? []).SelectMany(f => all[f]).Distinct().Order(StringComparer.Ordinal).Select(Read).OfType<(Font, string)>()];
    });

    private static (Font Font, string Path)? Read(string path)
    {
        try
        {
            var file = File.ReadAllBytes(path);
            return (FontFile.Read(file, Convert.ToHexStringLower(SHA256.HashData(file)), Path.GetFileName(path)), path);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or FontRefusedException)
        {
            return null;
        }
    }

    private string Print(IEnumerable<string> paths) => Fingerprint.Of([.. paths.Distinct().Select(ContentOf).Order(StringComparer.Ordinal)]).Hex;

    private string ContentOf(string path) => contents.GetOrAdd(path, p =>
    {
        try
        {
            return Fingerprint.Of(File.ReadAllBytes(p)).Hex;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return p;
        }
    });
}
