using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Proving;

namespace Kalypto.Core.Tests.Proving;

public sealed class ProofLimitTests
{
    [Fact]
    public async Task A_board_without_end_is_told_rather_than_drawn()
    {
        var drawing = Svg.Read("<rect id='a' width='9' height='9'/>", "viewBox='0 0 20000 9000'");
        // No renderer: nothing may be asked of one.
        var (proof, failure) = await Proof.OfAsync(null!, new MeasuredDrawing(drawing, [.. drawing.Layers.Select(_ => (Box?)null)]), drawing.Screens[0], TestContext.Current.CancellationToken);
        Assert.Null(proof);
        Assert.Equal((false, "It is larger than 64 million units."), (failure!.IsPassing, failure.Failure));
    }
}
