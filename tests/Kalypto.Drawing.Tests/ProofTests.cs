using System.Collections.Immutable;
using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Proving;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Tests;

/// <summary>What no rule knows is found by drawing a screen with both engines.</summary>
public sealed class ProofTests(ExactFixture exact) : IClassFixture<ExactFixture>
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    /// <summary>A drawing, read as if nobody knew what the quick engine does not draw.</summary>
    private async Task<MeasuredDrawing> ReadAsync(string inside)
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 375 812'><rect id='ground' width='375' height='812' fill='#fff'/>{inside}</svg>");
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Drawing");
        return new(drawing, await exact.Renderer.MeasureAsync(drawing, null, cancel));
    }

    private async Task<ScreenProof> ProveAsync(MeasuredDrawing drawing)
    {
        var (proof, failure) = await Proof.OfAsync(exact.Renderer, drawing, drawing.Drawn.Screens[0], cancel);
        Assert.Null(failure);
        return proof!;
    }

    private static string[] NamesOf(MeasuredDrawing drawing, ScreenProof proof) => [.. proof.Layers.Select(l => drawing.Drawn.Layers[l.Ordinal].Name).Order()];

    [Fact]
    public async Task What_is_known_and_takes_too_long_keeps_the_rest_from_no_proof()
    {
        var slow = string.Concat(Enumerable.Range(0, 20).Select(i => $"<feTurbulence baseFrequency='.0{i + 10}' numOctaves='10' result='t{i}'/><feMerge><feMergeNode in='t{i}'/><feMergeNode in='t{Math.Max(0, i - 1)}'/></feMerge>"));
        var drawing = await ReadAsync($"""
            <filter id='slow' x='0' y='0' width='1' height='1'>{slow}</filter><filter id='sharp'><feConvolveMatrix order='3' kernelMatrix='0 -2 0 -2 9 -2 0 -2 0'/></filter>
            <rect id='noise' width='375' height='400' filter='url(#slow)'/><circle id='moon' cx='80' cy='600' r='40' fill='#c96' filter='url(#sharp)'/>
            """);
        Assert.Equal(["moon"], NamesOf(drawing, await ProveAsync(drawing)));
    }

    [Fact]
    public async Task A_part_that_only_a_browser_draws_right_by_itself_is_nothing_against_its_screen()
    {
        var drawing = await ReadAsync("<clipPath id='c' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.5'/></clipPath><g id='planet' clip-path='url(#c)'><rect id='day' x='80' y='100' width='80' height='160' fill='#e76'/><rect id='night' x='160' y='100' width='80' height='160' fill='#39456b'/></g>");
        Assert.Empty((await ProveAsync(drawing)).Layers);
    }

    [Fact]
    public async Task The_smallest_layers_that_differ_are_found_among_those_that_do_not()
    {
        // Sharpening counts in pixels of the engine, which no rule knows of; the card lies in a group with what is right.
        var drawing = await ReadAsync("""
            <filter id='sharp'><feConvolveMatrix order='3' kernelMatrix='0 -2 0 -2 9 -2 0 -2 0'/></filter>
            <g id='card'><rect id='box' x='20' y='20' width='335' height='120' rx='12' fill='#3a7ca5'/><circle id='moon' cx='80' cy='80' r='40' fill='#c96' filter='url(#sharp)'/><path id='line' d='M150 60h150' stroke='#fff' stroke-width='4'/></g>
            <g id='foot'><rect id='bar' y='760' width='375' height='52' fill='#1d2b53'/><circle id='dot' cx='40' cy='786' r='12' fill='#fc6'/></g>
            """);
        Assert.True(drawing.Isolate(drawing.Drawn.Layers.First(l => l.Name == "moon"), ImmutableHashSet<int>.Empty).Beyond.IsEmpty);
        var proof = await ProveAsync(drawing);
        Assert.Equal(["moon"], NamesOf(drawing, proof));
        Assert.InRange(proof.Layers[0].Share, Proof.Most, 1);
        Assert.True(proof.All.Count > 0 && proof.Left.Count < proof.All.Count / 20, $"{proof.Left.Count} of {proof.All.Count} are left");
        Assert.InRange(proof.Equal, 0.9999, 1);

        // From then on the exact engine draws it and all that holds it, and their pictures are other ones.
        var proven = proof.Layers.ToDictionary(l => drawing.Drawn.Layers[l.Ordinal].Element.Fingerprint, l => l.Share);
        var (before, after) = (new DrawingKeys(exact.Renderer.FontsOf, exact.Renderer.Exact), new DrawingKeys(exact.Renderer.FontsOf, exact.Renderer.Exact, proven));
        foreach (var (name, isExact) in new[] { ("moon", true), ("card", true), ("box", false), ("foot", false) })
        {
            var isolation = drawing.Isolate(drawing.Drawn.Layers.First(l => l.Name == name), ImmutableHashSet<int>.Empty);
            Assert.Equal((isExact, !isExact), (after.IsExact(isolation), after.Of(isolation) == before.Of(isolation)));
        }
    }

    [Fact]
    public async Task What_only_a_group_gets_wrong_is_found_in_the_group()
    {
        var drawing = await ReadAsync("""
            <filter id='sharp'><feConvolveMatrix order='3' kernelMatrix='0 -2 0 -2 9 -2 0 -2 0'/></filter>
            <g id='all'><g id='badge' filter='url(#sharp)'><rect id='a' x='40' y='40' width='80' height='80' fill='#c96'/><rect id='b' x='160' y='40' width='80' height='80' fill='#69c'/></g><rect id='c' x='40' y='300' width='80' height='80'/></g>
            """);
        var proof = await ProveAsync(drawing);
        var found = NamesOf(drawing, proof);
        Assert.True(found is ["badge"] || found.SequenceEqual(["a", "b"]), string.Join(' ', found));
        Assert.InRange(proof.Equal, 0.9995, 1);
    }

    [Fact]
    public async Task What_is_known_needs_no_proof_and_what_is_equal_stays_with_the_quick_engine()
    {
        var drawing = await ReadAsync("""
            <rect id='known' x='40' y='40' width='80' height='80' fill='#3a7ca5' style='clip-path:circle(20px at 80px 80px)'/>
            <ellipse id='moon' cx='100' cy='300' rx='40' ry='30' fill='#fc6'/><path id='star' d='M200 400l20 60h-60z' fill='#c30'/>
            """);
        var proof = await ProveAsync(drawing);
        Assert.Empty(proof.Layers);
        Assert.True(proof.All.Count > 1000);
        Assert.InRange(proof.Equal, 0.9999, 1);
    }

    [Fact]
    public async Task What_is_drawn_exactly_elsewhere_than_it_was_measured_is_no_alarm()
    {
        // The quick engine turns it about the corner of the drawing; what is other beside it stays so.
        var drawing = await ReadAsync("""
            <g id='card'><rect id='known' x='150' y='300' width='200' height='60' fill='#3a7ca5' style='transform-box:fill-box;transform-origin:center;transform:rotate(90deg)'/><rect id='box' x='20' y='20' width='60' height='60' fill='#036'/></g>
            """);
        var proof = await ProveAsync(drawing);
        Assert.True(proof.All.Count > 1000, $"{proof.All.Count} px are other");
        Assert.InRange(proof.Equal, 0.9999, 1);
    }

    [Fact]
    public async Task A_drawing_that_counts_in_parts_of_a_millimetre_is_proved_smaller()
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 28000 15750'><filter id='sharp'><feConvolveMatrix order='3' kernelMatrix='0 -2 0 -2 9 -2 0 -2 0'/></filter><rect id='ground' width='28000' height='15750' fill='#fff'/><circle id='moon' cx='6000' cy='6000' r='3000' fill='#c96' filter='url(#sharp)'/><path id='line' d='M15000 6000h9000' stroke='#036' stroke-width='300'/></svg>");
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Slide");
        var measured = new MeasuredDrawing(drawing, await exact.Renderer.MeasureAsync(drawing, null, cancel));
        var proof = await ProveAsync(measured);
        Assert.Equal(["moon"], NamesOf(measured, proof));
        Assert.InRange(proof.Equal, 0.999, 1);
        Assert.InRange(proof.All.Width * proof.All.Height, 1, 4_000_000);
    }

    [Fact]
    public async Task Layers_on_no_screen_are_proved_beside_the_screens()
    {
        exact.IsNeeded();
        var file = Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1000 900'><filter id='sharp'><feConvolveMatrix order='3' kernelMatrix='0 -2 0 -2 9 -2 0 -2 0'/></filter><svg id='one' width='375' height='812'><circle id='in' cx='80' cy='80' r='40' fill='#c96' filter='url(#sharp)'/></svg><svg id='two' x='400' width='375' height='812'><path d='M0 0h9v9z'/></svg><circle id='out' cx='900' cy='80' r='40' fill='#c96' filter='url(#sharp)'/><rect id='note' x='800' y='200' width='90' height='30'/></svg>");
        exact.Add(file);
        var drawing = SvgReader.Read(file, "Board");
        var measured = new MeasuredDrawing(drawing, await exact.Renderer.MeasureAsync(drawing, null, cancel));
        Assert.Equal(["one", "two", "Board"], Proof.ScreensOf(drawing).Select(s => s.Name));
        var (proof, _) = await Proof.OfAsync(exact.Renderer, measured, Proof.ScreensOf(drawing)[2], cancel);
        Assert.Equal(["out"], NamesOf(measured, proof!));
    }
}
