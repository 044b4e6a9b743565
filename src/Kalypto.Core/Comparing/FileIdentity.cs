using Kalypto.Core.Designs;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Comparing;

/// <summary>
/// What makes a delivered file the same one in any other delivery: the lineage of its layer, its platform, and what is made of
/// it there (format, scale or side, state). Its path is only what it is called.
/// </summary>
public static class FileIdentity
{
    private const string Beside = "beside ";

    /// <summary>The id of the platform in an identity; empty for that of a file that goes with the pictures.</summary>
    public static string PlatformOf(string identity) => IsPicture(identity) && identity.Split(' ', 3) is [_, var platform, _] ? platform : "";

    /// <summary>What an identity begins with: the design and the lineage of the layer, as <c>design:lineage</c>.</summary>
    public static string OwnerOf(string identity) => identity.IndexOf(' ', StringComparison.Ordinal) is > 0 and var end ? identity[..end] : identity;

    /// <summary>True for the identity of a picture, false for that of a file that goes with the pictures.</summary>
    public static bool IsPicture(string identity) => !identity.StartsWith(Beside, StringComparison.Ordinal);

    /// <summary>The identities of files, in their order; no two are equal.</summary>
    /// <param name="files">The files of a pack.</param>
    /// <param name="lineage">The lineage of a layer in its design.</param>
    public static IReadOnlyList<string> Of(IReadOnlyList<PlannedFile> files, Func<LayerRef, int> lineage)
    {
        var identities = new string[files.Count];
        var given = new Dictionary<string, int>(StringComparer.Ordinal);
        // Where a platform wants the same output twice, the order of the paths tells them apart.
        foreach (var (i, file) in files.Index().OrderBy(f => f.Item.Path, StringComparer.Ordinal))
        {
            var output = $"{file.Picture.Ref.Design}:{lineage(file.Picture.Ref)} {file.Platform} {file.Format.Id} {file.Ask.Output}"
                + (file.Picture.State is { } state ? $" state:{state}" : "") + (file.Ask.Linked is { } linked ? $" inside:{linked}" : "");
            var number = given[output] = given.GetValueOrDefault(output) + 1;
            identities[i] = number == 1 ? output : $"{output} #{number}";
        }
        return identities;
    }

    /// <summary>The identity of a file that goes with the pictures: in a folder of one picture alone it goes with that, whatever both are called.</summary>
    /// <param name="path">Where it lies.</param>
    /// <param name="files">The files of the pack.</param>
    /// <param name="identities">Their identities.</param>
    public static string OfSide(string path, IReadOnlyList<PlannedFile> files, IReadOnlyList<string> identities)
    {
        var slash = path.LastIndexOf('/') + 1;
        static string PlatformAndOwnerOf(string identity) => identity[..identity.IndexOf(' ', identity.IndexOf(' ', StringComparison.Ordinal) + 1)];
        var beside = files.Zip(identities).Where(f => f.First.Path.Length > slash && f.First.Path.LastIndexOf('/') + 1 == slash && f.First.Path.StartsWith(path[..slash], StringComparison.Ordinal)).ToList();
        var owners = beside.Select(f => PlatformAndOwnerOf(f.Second)).Distinct().Take(2).ToList();
        if (slash == 0 || owners is not [var only] || path[..slash].Count(c => c == '/') <= 1)
        {
            return $"{Beside}{path}";
        }
        // A picture of several widths has a folder for each.
        var isOneOfMany = files.Zip(identities).Any(f => PlatformAndOwnerOf(f.Second) == only && !f.First.Path.StartsWith(path[..slash], StringComparison.Ordinal));
        return isOneOfMany ? $"{Beside}{only} {beside[0].First.Ask.Output} {path[slash..]}" : $"{Beside}{only} {path[slash..]}";
    }
}
