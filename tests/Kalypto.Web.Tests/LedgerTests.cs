using System.Text;
using CsCheck;
using Kalypto.Core.Designs;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Web.Models;

namespace Kalypto.Web.Tests;

public class LedgerTests
{
    private const string Sky = "<g id='nav'><path id='bell' d='M0 0h9v9z'/><path id='bell2' d='M0 0h9v9z'/></g><rect id='Group 41' width='9' height='9'/><text id='words'>sky</text>";
    private static readonly string[] Layers = ["nav", "bell", "bell2", "Group 41", "words"];
    private static readonly string[] Said = ["", "Ship", "Ship icon", "Ship photo jpeg:20", "Ship png to:a", "Code", "Leave", "Ship parts", "Ship icon crop:4x4"];

    /// <summary>A journal writes a row anew only when its signature is another, so equal signatures must mean equal rows.</summary>
    [Fact]
    public void Rows_of_equal_signature_are_written_alike()
    {
        var written = new Dictionary<(long Layer, long Signature), string>();
        var rows = 0;
        Gen.Select(Gen.Int[0, Said.Length - 1].Array[Layers.Length], Gen.Int[0, 3], Gen.Int[0, 2]).Sample((says, weight, recipe) =>
        {
            var book = recipe == 0 ? RecipeBook.Usual : RecipeBook.Usual with { All = Tags.Parse(recipe == 1 ? "bleed:2" : "credit") };
            var workspace = Projects.Of(book, ["web", "android"], ("tonight", Sky, [.. Layers.Zip(says).Where(s => Said[s.Second].Length > 0).Select(s => (s.First, Said[s.Second]))]));
            var plan = Projects.Plan(workspace, path => weight == 0 ? null : path.Length * 100L * weight) with { Looks = _ => new Look(new(10, 10, 20 + weight, 24), null) };
            foreach (var row in BenchModel.Of(workspace, plan, 1, 0).Rows)
            {
                var json = Encoding.UTF8.GetString(row.Write());
                lock (written)
                {
                    rows++;
                    Assert.Equal(written.TryGetValue((row.Id, row.Signature), out var before) ? before : json, json);
                    written[(row.Id, row.Signature)] = json;
                }
            }
        }, iter: 400);
        Assert.InRange(written.Count, 50, rows - 1);
    }
}
