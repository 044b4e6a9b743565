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

    [Fact]
    public async Task Rows_of_a_list_are_found_again_when_some_come_go_or_change_places()
    {
        var sum = Judged.None;
        foreach (var edit in Enum.GetValues<ListDrawing.Edit>())
        {
            for (var seed = 0; seed < 6; seed++)
            {
                var list = new ListDrawing(edit, seed);
                sum += Judged.Of(DraftPairs.Of(await MeasureAsync(list.Before.Svg), await MeasureAsync(list.After.Svg)), list.Before.Keys, list.After.Keys);
            }
        }
        Assert.True(sum.There > 2_000, $"{sum}");
        Assert.True(sum.Right > 0.998 * sum.There && sum.Wrong < 0.005 * sum.There && sum.Asked < 0.005 * sum.There, $"{sum}");
    }

    [Fact]
    public async Task Small_drawings_and_texts_turned_into_outlines_are_found_again()
    {
        var demo = Path.Combine(AppContext.BaseDirectory, "demo");
        var (small, outlined) = (Judged.None, Judged.None);
        foreach (var edit in Enum.GetValues<DraftMaker.Edit>())
        {
            foreach (var (_, svg) in KnownDrawings.Small(demo, (int)edit))
            {
                var maker = new DraftMaker(svg, (int)edit).Do(edit);
                small += Judged.Of(DraftPairs.Of(await MeasureAsync(maker.Before.Svg), await MeasureAsync(maker.After.Svg)), maker.Before.Keys, maker.After.Keys);
            }
        }
        foreach (var (i, (_, svg)) in KnownDrawings.All(demo).Index())
        {
            var maker = new DraftMaker(svg, i);
            var before = await MeasureAsync(maker.Before.Svg);
            maker.Outline(before.Shapes, keepsNames: i % 2 == 0);
            outlined += Judged.Of(DraftPairs.Of(before, await MeasureAsync(maker.After.Svg)), maker.Before.Keys, maker.After.Keys);
        }
        Assert.True(small.Right > 0.975 * small.There && small.Wrong < 0.002 * small.There && small.Asked < 0.03 * small.There, $"{small}");
        Assert.True(outlined.Right > 0.99 * outlined.There && outlined.Wrong < 0.001 * outlined.There, $"{outlined}");
    }

    private async Task<MeasuredDrawing> MeasureAsync(string svg)
    {
        var drawing = DrawingReader.Read(Encoding.UTF8.GetBytes(svg), "Draft");
        return new(drawing, await fixture.Renderer.MeasureAsync(drawing, null, cancel));
    }
}
