using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Suggesting;

/// <summary>Says of open layers what they probably are, from size, content, name, neighbours and repeats.</summary>
public static class Suggestions
{
    private const double ForNeighbours = 0.1;
    private static readonly ConditionalWeakTable<MeasuredDrawing, Dictionary<string, ImmutableArray<Suggestion>>> Known = [];
    private static readonly ConditionalWeakTable<DesignState, StrongBox<ImmutableArray<Suggestion>>> KnownOfStates = [];

    /// <summary>The suggestions for a design, strongest first. What was dismissed or needs no decision is not among them.</summary>
    public static ImmutableArray<Suggestion> Suggested(this DesignState design) => KnownOfStates.GetValue(design, d => new(Search(d))).Value;

    private static ImmutableArray<Suggestion> Search(DesignState design)
    {
        var dismissed = design.Marks.Where(m => m.Value.Dismissed).Select(m => m.Key).ToHashSet();
        var candidates = Candidates(design, dismissed);
        var decidedInside = new HashSet<Layer>();
        foreach (var (ordinal, mark) in design.Marks)
        {
            if (mark.Decision is Decision.Ship or Decision.Code && ordinal < design.Layers.Length)
            {
                decidedInside.UnionWith(design.Layers[ordinal].Ancestors());
            }
        }
        var shipped = design.Marks.Where(m => m.Value is { Decision: Decision.Ship, Tags.Kind: "icon" } && m.Key < design.Layers.Length)
            .Select(m => design.PointsOf(design.Layers[m.Key])).OfType<Box>();
        var rows = new Rows(shipped);
        return [.. candidates
            .Where(s => (s.Together.IsEmpty ? [s.Layer] : s.Together.AsEnumerable())
                .All(l => design.MarkOf(l).Decision == Decision.Open && !decidedInside.Contains(l) && Progress.CoveredBy(l, design.MarkOf) is null))
            .Select(s => NearShipped(s, design, rows))
            .OrderByDescending(s => s.Strength).ThenBy(s => s.Layer.Ordinal)];
    }

    private static ImmutableArray<Suggestion> Candidates(DesignState design, HashSet<int> dismissed)
    {
        var known = Known.GetOrCreateValue(design.Measured);
        var key = $"{design.DrawnAt} {string.Join(',', dismissed.Order())}";
        lock (known)
        {
            if (!known.TryGetValue(key, out var candidates))
            {
                if (known.Count > 8)
                {
                    known.Clear();
                }
                known[key] = candidates = new CandidateSearch(design.Measured, design.DrawnAt, dismissed).Run();
            }
            return candidates;
        }
    }

    private static Suggestion NearShipped(Suggestion suggestion, DesignState design, Rows shipped)
    {
        if (suggestion.Kind != "icon" || design.PointsOf(suggestion.Layer) is not { } box)
        {
            return suggestion;
        }
        var row = shipped.Beside(box);
        return row == 0 ? suggestion : suggestion with
        {
            Strength = Math.Min(1, suggestion.Strength + ForNeighbours),
            Why = $"{suggestion.Why}, same row as {(row == 1 ? "a shipped icon" : $"{row} shipped icons")}",
        };
    }
}
