using Kalypto.Web.UseCases;

namespace Kalypto.Web.Tests;

public class BringInTests
{
    [Theory]
    [InlineData("visitor-app.svg", "Visitor app")]
    [InlineData("in/some/folder/book_a_place.ora", "Book a place")]
    [InlineData(@"C:\work\tonight.final.png", "Tonight.final")]
    [InlineData(".svg", "Drawing")]
    [InlineData("../../etc/passwd", "Passwd")]
    public void A_design_is_called_after_its_file(string file, string name) => Assert.Equal(name, BringIn.DesignName(file));
}
