using Kalypto.Application.Desk;

namespace Kalypto.Application.Tests;

public class NoticesTests
{
    private readonly Notices notices = new();

    [Fact]
    public void An_edit_concerns_the_other_pages_of_its_project_only()
    {
        notices.Give(project: 1, page: "mine");
        Assert.False(notices.Concern(0, 1, "mine"));
        Assert.True(notices.Concern(0, 1, "another"));
        Assert.False(notices.Concern(0, 2, "another"));
        Assert.False(notices.Concern(notices.Last, 1, "another"));
    }

    [Fact]
    public void What_got_drawn_concerns_everybody_and_so_does_what_is_forgotten()
    {
        notices.Give();
        Assert.True(notices.Concern(0, 9, "any"));
        for (var i = 0; i < 600; i++)
        {
            notices.Give(project: 1, page: "mine");
        }
        Assert.True(notices.Concern(0, 1, "mine"));
        Assert.False(notices.Concern(notices.Last - 5, 1, "mine"));
    }

    [Fact]
    public async Task Whoever_waits_is_woken_by_the_next_one()
    {
        var next = notices.Next;
        Assert.False(next.IsCompleted);
        notices.Give();
        await next.WaitAsync(TestContext.Current.CancellationToken);
    }
}
