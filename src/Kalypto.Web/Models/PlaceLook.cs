using Kalypto.Application.Places;
using Kalypto.Core.Placing;

namespace Kalypto.Web.Models;

/// <summary>What a delivery would do to a place, or did.</summary>
public sealed record PlaceLook(int Delivery, bool IsDone, bool IsNothing, int Same, IReadOnlyList<PlaceLine> Lines, IReadOnlyList<PlaceLine> Conflicts)
{
    /// <summary>Puts it together.</summary>
    public static PlaceLook Of(DeliverTo.Outcome outcome) => outcome.Plan is var plan ? new(outcome.Delivery, outcome.IsDone, plan.IsNothing, plan.Same,
        [.. plan.New.Select(f => new PlaceLine("new", f.Path)), .. plan.Changed.Select(f => new PlaceLine("changed", f.Path)),
            .. plan.Renamed.Select(r => new PlaceLine("renamed", $"{r.From} → {r.To.Path}")), .. plan.Removed.Select(p => new PlaceLine("gone", p))],
        [.. plan.Conflicts.Select(c => new PlaceLine(c.Why == PlaceConflict.Reason.InTheWay ? "somebody else's file lies there" : "changed by hand since", c.Path))]) : null!;
}
