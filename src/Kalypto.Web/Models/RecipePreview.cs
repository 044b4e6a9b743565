using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Packing;
using Kalypto.Core.Suggesting;

namespace Kalypto.Web.Models;

/// <summary>What a changed recipe would come to: in words, and by a layer of the project.</summary>
/// <param name="Effect">What changes in the pack.</param>
/// <param name="Refusal">Why it cannot be done; null when it can.</param>
/// <param name="Example">The name of a layer of the kind; null when there is none.</param>
/// <param name="IsSuggested">True when the layer does not ship yet and only looks like the kind.</param>
/// <param name="Picture">Its picture.</param>
/// <param name="Why">Why its crop is what it is.</param>
/// <param name="Values">What holds for it.</param>
/// <param name="Files">Its files.</param>
/// <param name="Weight">What they weigh together.</param>
public sealed record RecipePreview(
    string Effect, string? Refusal, string? Example, bool IsSuggested, string? Picture, string? Why, IReadOnlyList<HeldValue> Values, IReadOnlyList<DetailFile> Files, string Weight)
{
    /// <summary>Of a wish that cannot be met.</summary>
    public static RecipePreview Refused(string why) => new("", why, null, false, null, null, [], [], "");

    /// <summary>The pictures that an example may be of: one that ships as the kind, else one that would.</summary>
    public static (Picture Picture, bool IsSuggested)? ExampleOf(Workspace workspace, PlannedPack plan, string kind)
    {
        var ships = plan.Pack.Pictures.Where(p => p.Making.Kind == kind && p.Crop is not null).OrderByDescending(p => p.Places.Length).FirstOrDefault();
        if (ships is not null)
        {
            return (ships, false);
        }
        foreach (var state in workspace.States)
        {
            var layer = kind == "screen" ? state.Measured.Drawing.Screens[0].Root : state.Suggested().FirstOrDefault(s => s.Kind == kind && s.Together.IsEmpty)?.Layer;
            if (layer is not null)
            {
                var said = state with { Marks = new Dictionary<int, Core.Deciding.Mark>(state.Marks) { [layer.Ordinal] = state.MarkOf(layer) with { Decision = Core.Deciding.Decision.Ship, Tags = state.MarkOf(layer).Tags with { Kind = kind } } } };
                return (plan.Planner.PictureOf(said, layer, platforms: workspace.Platforms), true);
            }
        }
        return null;
    }
}
