using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Pravik.Data.Migrations
{
    /// <inheritdoc />
    public partial class StartPage : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Author",
                table: "Revisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Kind",
                table: "Revisions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Spans",
                table: "Revisions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Verdict",
                table: "Revisions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "VerdictWords",
                table: "Revisions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "IsAssumed",
                table: "Projects",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Shelf",
                table: "Projects",
                type: "TEXT",
                nullable: false,
                defaultValue: "Current");

            migrationBuilder.AddColumn<string>(
                name: "Tags",
                table: "Projects",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Tip",
                table: "Projects",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "Variant",
                table: "Projects",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.CreateTable(
                name: "LookedAt",
                columns: table => new
                {
                    ProjectId = table.Column<string>(type: "TEXT", nullable: false),
                    What = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_LookedAt", x => new { x.ProjectId, x.What });
                });

            migrationBuilder.CreateTable(
                name: "Variants",
                columns: table => new
                {
                    ProjectId = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Start = table.Column<int>(type: "INTEGER", nullable: false),
                    Head = table.Column<int>(type: "INTEGER", nullable: false),
                    Tip = table.Column<int>(type: "INTEGER", nullable: false),
                    IsClosed = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Variants", x => new { x.ProjectId, x.Number });
                });

            // Redo led to the latest edit that was made from each.
            migrationBuilder.Sql(
                """
                UPDATE Projects SET Tip = (
                    WITH RECURSIVE ahead(n) AS (
                        SELECT Projects.Head
                        UNION ALL
                        SELECT (SELECT MAX(r.Number) FROM Revisions r WHERE r.ProjectId = Projects.Id AND r.Parent = ahead.n)
                        FROM ahead WHERE ahead.n IS NOT NULL
                    )
                    SELECT MAX(n) FROM ahead
                );
                """
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "LookedAt");

            migrationBuilder.DropTable(
                name: "Variants");

            migrationBuilder.DropColumn(
                name: "Author",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "Kind",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "Spans",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "Verdict",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "VerdictWords",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "IsAssumed",
                table: "Projects");

            migrationBuilder.DropColumn(
                name: "Shelf",
                table: "Projects");

            migrationBuilder.DropColumn(
                name: "Tags",
                table: "Projects");

            migrationBuilder.DropColumn(
                name: "Tip",
                table: "Projects");

            migrationBuilder.DropColumn(
                name: "Variant",
                table: "Projects");
        }
    }
}
