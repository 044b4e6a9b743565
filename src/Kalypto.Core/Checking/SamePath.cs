using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;

namespace Kalypto.Core.Checking;

/// <summary>Two pictures that would be written to one path, compared without regard to case.</summary>
public sealed class SamePath : ICheck
{
    /// <inheritdoc/>
    public string Id => "same-path-twice";

    /// <inheritdoc/>
    public string Name => "same path twice";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Two pictures that would be written to one path, compared without regard to case.",
        "One would silently overwrite the other.",
        "Two layers “Bell” and “bell”.",
        "Give one of them another name or folder.");

    /// <inheritdoc/>
    public bool IsEssential => true;

    // Pictures and files that an edit did not touch are the same values as before.
    private readonly ConditionalWeakTable<PlannedFile, string> filePlaces = [];
    private readonly ConditionalWeakTable<Picture, ConcurrentDictionary<string, string?>> picturePlaces = [];

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        var told = new HashSet<LayerRef>();
        foreach (var platform in plan.Platforms.Union([AllPlatforms.Plain]))
        {
            var byPlace = plan.Pictures.Where(p => p.Making.Only ? platform == AllPlatforms.Plain : plan.Platforms.Contains(platform))
                .Select(p => (Picture: p, Place: PlaceOf(platform, p)))
                .Where(p => p.Place is not null)
                .GroupBy(p => p.Place!, p => p.Picture, StringComparer.OrdinalIgnoreCase)
                .ToDictionary(g => g.Key, g => g.ToList(), StringComparer.OrdinalIgnoreCase);
            foreach (var (place, pictures) in byPlace.Where(p => p.Value.Count > 1))
            {
                var first = pictures[0];
                foreach (var other in pictures.Skip(1).Where(p => told.Add(p.Ref)))
                {
                    // The icon of the app or site has a name that the platform gives.
                    if (platform.Place(other, "a") == platform.Place(other, "b"))
                    {
                        yield return new(Id, Severity.Blocker, other.Ref,
                            $"“{other.Called}” on {other.ScreenName} and “{first.Called}” on {first.ScreenName} would both be the icon of the app.",
                            new("Make it a picture", Tags: "picture"));
                        continue;
                    }
                    var offered = Offer(platform, other, byPlace.Keys);
                    yield return new(Id, Severity.Blocker, other.Ref,
                        $"“{other.Called}” on {other.ScreenName} and “{first.Called}” on {first.ScreenName} would both be {place} for {platform.Name}.",
                        new($"Name it {offered}", ShipName: offered));
                }
            }
            // A size of its own or a picture beside a drawing has a name that another layer may have.
            var firsts = new Dictionary<string, Picture>(StringComparer.OrdinalIgnoreCase);
            foreach (var file in plan.Files.Where(f => f.Platform == platform.Id))
            {
                var (place, other) = (filePlaces.GetValue(file, platform.Place), file.Picture);
                if (!firsts.TryAdd(place, other) && firsts[place] is var first && other.Ref != first.Ref && !told.Contains(first.Ref) && platform.Place(other, "a") != platform.Place(other, "b") && told.Add(other.Ref))
                {
                    var offered = Offer(platform, other, byPlace.Keys);
                    yield return new(Id, Severity.Blocker, other.Ref,
                        $"“{other.Called}” on {other.ScreenName} and “{first.Called}” on {first.ScreenName} would both make {place} for {platform.Name}.",
                        new($"Name it {offered}", ShipName: offered));
                }
            }
        }
    }

    /// <summary>Where a picture lies; null when it lies nowhere.</summary>
    private string? PlaceOf(IPlatform platform, Picture picture) => picturePlaces.GetOrCreateValue(picture).GetOrAdd(platform.Id, _ =>
        picture.CropFor(platform.Id) is not null && platform.NameOf(picture) is { Length: > 0 } name ? platform.Place(picture, name) : null);

    private static string Offer(IPlatform platform, Picture picture, ICollection<string> taken)
    {
        bool IsFree(string[] words) => !taken.Contains(platform.Place(picture, platform.Join(platform.WordsWithTwin(picture, words))), StringComparer.OrdinalIgnoreCase);
        // Where folders do not tell two apart, their names do.
        if (picture.MakingFor(platform.Id).Folder is [.., var folder] && NameWords.Split(folder) is { Count: > 0 } before && IsFree([.. before, .. picture.Words]))
        {
            return string.Join('-', [.. before, .. picture.Words]);
        }
        for (var n = 2; ; n++)
        {
            string[] words = [.. platform.WordsOf(picture), n.ToString(System.Globalization.CultureInfo.InvariantCulture)];
            if (!taken.Contains(platform.Place(picture, platform.Join(words)), StringComparer.OrdinalIgnoreCase))
            {
                return string.Join('-', [.. picture.Words, n.ToString(System.Globalization.CultureInfo.InvariantCulture)]);
            }
        }
    }
}
