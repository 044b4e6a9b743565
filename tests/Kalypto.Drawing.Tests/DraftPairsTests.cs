using System.Text;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Reading;
using Kalypto.Drafts;

namespace Kalypto.Drawing.Tests;

/// <summary>Layers of a next draft against the truth, on drafts by chance; the benchmark does the same with more of them.</summary>
public sealed class DraftPairsTests(RendererFixture fixture)
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    [Fact]
    public async Task Nearly_all_layers_are_found_again_hardly_any_is_taken_for_another_and_few_are_asked_about()
    {
        var sum = Judged.None;
        var cases = Enum.GetValues<DraftMaker.Edit>().Select(e => (Action<DraftMaker>)(m => m.Do(e).Do(e).Do(e)))
            .Concat(Enum.GetValues<DraftMaker.Saving>().Select(s => (Action<DraftMaker>)(m => m.Save(s)))).Append(m => m.Mix(10)).Append(m => m.Mix(40)).Append(m => m.Mix(15).Save(DraftMaker.Saving.IdsAndMoved));
        // Each case on two of the drawings, so that all of them have their turn.
        var drawings = KnownDrawings.All(Path.Combine(AppContext.BaseDirectory, "demo")).ToList();
        foreach (var (i, make) in cases.Index())
        {
            foreach (var (_, svg) in new[] { drawings[i % drawings.Count], drawings[(i + 4) % drawings.Count] })
            {
                var maker = new DraftMaker(svg, i);
                make(maker);
                var (before, after) = (maker.Before, maker.After);
                sum += Judged.Of(DraftPairs.Of(await MeasureAsync(before.Svg), await MeasureAsync(after.Svg)), before.Keys, after.Keys);
            }
        }
        Assert.True(sum.There > 10_000, $"{sum}");
        Assert.True(sum.Right > 0.985 * sum.There && sum.Wrong < 0.001 * sum.There && sum.Asked < 0.02 * sum.There, $"{sum}");
    }

    private async Task<MeasuredDrawing> MeasureAsync(string svg)
    {
        var drawing = DrawingReader.Read(Encoding.UTF8.GetBytes(svg), "Draft");
        return new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, cancel));
    }
}
