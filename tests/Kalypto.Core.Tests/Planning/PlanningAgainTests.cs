using CsCheck;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Planning;

/// <summary>A planner that remembers plans as one that does not.</summary>
public class PlanningAgainTests
{
    private static readonly string[] Said = ["", "icon", "photo to:photos", "parts", "button state:pressed", "scale:1x,2x", "to:a jpeg", "pdf svg"];
    private static readonly string[] Layers = ["bell", "Bell", "dome", "chart"];

    private sealed record Edit(int Design, int Layer, Decision Decision, string Tags, int Platforms, bool IsSeen);

    private static readonly Gen<Edit> AnyEdit = Gen.Select(
        Gen.Int[0, 2], Gen.Int[0, Layers.Length - 1], Gen.Enum<Decision>(), Gen.OneOf([.. Said.Select(Gen.Const)]), Gen.Int[1, 6], Gen.Bool, (d, l, n, t, p, s) => new Edit(d, l, n, t, p, s));

    [Fact]
    public void Whatever_is_said_in_whatever_order_the_plan_is_the_one_of_a_planner_that_knows_nothing() => AnyEdit.List[1, 12].Sample(edits =>
    {
        var shape = new Box(3, 3, 24.5, 24);
        const string Drawn = "<g id='bell'><path id='one'/><path id='two'/></g><path id='Bell'/><path id='dome'/><path id='chart'/>";
        var states = Enumerable.Range(1, 3).Select(id => Svg.Design(Drawn, shape) with { Id = id }).ToList();
        var seen = new HashSet<Fingerprint>();
        Look? LookAt(Fingerprint key) => seen.Contains(key) ? new Look(shape, null) : null;
        var paths = new PlannedPaths("engine");
        foreach (var edit in edits)
        {
            var state = states[edit.Design];
            var ordinal = state.Layers.Single(l => l.Name == Layers[edit.Layer]).Ordinal;
            states[edit.Design] = state with { Marks = new Dictionary<int, Mark>(state.Marks) { [ordinal] = new(edit.Decision, null, Tags.Parse(edit.Tags)) } };
            var platforms = AllPlatforms.List.Take(edit.Platforms).ToList();
            if (edit.IsSeen)
            {
                seen.UnionWith(states.SelectMany(s => s.Layers.Select(l => DrawingKeys.WithoutFonts.Of(s.Isolate(l)))));
            }
            var (again, anew) = (new PackPlanner(paths, LookAt).Plan(states, platforms), new PackPlanner(new("engine"), LookAt).Plan([.. states.Select(s => s with { Name = s.Name })], platforms));
            Assert.Equal(anew.Files.Select(f => (f.Path, f.Key, f.Width, f.Picture.Ref)), again.Files.Select(f => (f.Path, f.Key, f.Width, f.Picture.Ref)));
            Assert.Equal(anew.Findings.Select(f => f.Sentence), again.Findings.Select(f => f.Sentence));
        }
    }, iter: 200);
}
