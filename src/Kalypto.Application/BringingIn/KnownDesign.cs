using System.Text.RegularExpressions;
using Kalypto.Application.Desk;
using Kalypto.Application.Drafts;
using Kalypto.Core.Comparing;
using Kalypto.Store;

namespace Kalypto.Application.BringingIn;

/// <summary>Finds the design that a file is the next draft of.</summary>
public sealed partial class KnownDesign(DesignStore designs, DrawingCache cache)
{
    private const double Another = 0.1;
    private const double Alike = 0.6;
    private const int FewLayers = 8;
    private const int MostLookedAt = 60;

    /// <summary>The design of the same name; one that only looks like it where there is none of the name; or neither.</summary>
    /// <param name="target">Where the file is brought in; what came in with the same drop is not looked at.</param>
    /// <param name="project">The project.</param>
    /// <param name="name">The name that the file gives a design.</param>
    /// <param name="drawing">What is in it.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<(DesignName? Same, DesignName? Like)> FindAsync(Target target, int project, string name, ReadDrawing drawing, CancellationToken cancel)
    {
        var there = (await designs.NamesAsync(project, cancel)).Where(d => !target.Touched.Contains(d.Id)).ToList();
        if (there.Find(d => Plain(d.Name) == Plain(name)) is { } named)
        {
            var before = (await cache.GetAsync([named.Draft], cancel)).GetValueOrDefault(named.Draft);
            var isAnother = before is not null && Math.Min(before.Drawn.Layers.Length, drawing.Measured.Drawn.Layers.Length) > FewLayers && DrawingLikeness.Of(before, drawing.Measured) < Another;
            return isAnother ? (null, named) : (named, null);
        }
        if (there.Count is 0 or > MostLookedAt || drawing.Measured.Drawn.Layers.Length <= FewLayers)
        {
            return (null, null);
        }
        var drawn = await cache.GetAsync([.. there.Select(d => d.Draft)], cancel);
        var best = there.Where(d => drawn.ContainsKey(d.Draft)).Select(d => (Design: d, Likeness: DrawingLikeness.Of(drawn[d.Draft], drawing.Measured))).MaxBy(d => d.Likeness);
        return (null, best.Likeness >= Alike ? best.Design : null);
    }

    // "Visitor app (2)", "visitor-app_v3" and "Visitor app final copy" are the visitor app.
    private static string Plain(string name)
    {
        for (var plain = name.Trim().ToLowerInvariant(); ;)
        {
            if (Suffix().Replace(plain, "") is var shorter && shorter.Length > 0 && shorter != plain)
            {
                plain = shorter;
                continue;
            }
            return plain;
        }
    }

    [GeneratedRegex(@"[\s._-]*(\(\d+\)|\b(copy|final|new|latest|draft|export|v\s?\d+([.]\d+)*))$")]
    private static partial Regex Suffix();
}
